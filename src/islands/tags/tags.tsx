import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { type LensView, lensQuery, type TagsView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { dateWords, saidClock, saidCount } from '../../ui/writing/index.ts';
import { ask, refusalOf, refusalWords, useDoing, useResting, WithServer } from '../server/index.ts';
import { addressOf, choicesOf, keyOf, type Which } from './asked.ts';
import { OffShelf } from './off-shelf.tsx';
import { Print } from './print.tsx';
import { StoresStand } from './stores-stand.tsx';
import { TagRows } from './tag-rows.tsx';
import { tagsOf } from './tags-of.ts';

export interface TagsProps {
  readonly view: LensView;
  /** Whether the reader may say what hangs. */
  readonly hangs: boolean;
  /** Whether they see more stores than this one. */
  readonly everywhere: boolean;
}

/** The shelf tags of a store for a day: what to print, what to take off, and what hangs already. */
export function Tags(props: TagsProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

/** Milliseconds after which nobody types any more. */
const TYPED = 250;

function Desk({ view, hangs, everywhere }: TagsProps) {
  const place = { store: view.store.id, day: view.at.slice(0, 10) };
  const [which, setWhich] = useState<Which>('changed');
  const [find, setFind] = useState('');
  const [whole, setWhole] = useState(false);
  const sought = useResting(find, TYPED);
  const { data, error } = useQuery({
    queryKey: ['tags', place, which, sought, whole],
    queryFn: ({ signal }) => ask<TagsView>(addressOf(place, which, sought, whole), undefined, signal),
    placeholderData: keepPreviousData,
  });
  const { busy, said, refusal, doing } = useDoing(['tags']);
  const onHang = hangs
    ? (tags: readonly { sku: string; edition: string }[], hung: boolean) =>
        doing(async () => {
          const body = { ...place, tags: tags.map(({ sku, edition }) => ({ sku, edition })), hung };
          await ask('/api/send/tags/hung', { method: 'POST', body });
          return hung ? `${tagsOf(tags.length)} noted as hung.` : `${tagsOf(tags.length)} to be hung again.`;
        })
    : null;
  return (
    <>
      <Head view={view} tags={data} />
      {error ? <Notice tone="trouble">{refusalOf(error).message}</Notice> : null}
      {data ? null : (
        <p className="quiet mt-4" role="status">
          Working out what hangs …
        </p>
      )}
      {data ? (
        <>
          {data.unsent ? <Unsent view={view} promotions={data.unsent.promotions} /> : null}
          <Print place={place} which={which} tags={data} />
          {refusal ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
          <section className="mt-6" aria-label="Tags">
            <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
              <label className="text-sm">
                <span className="quiet block">Tags</span>
                <select
                  className="select select-sm max-w-[80vw] sm:w-96"
                  value={keyOf(which)}
                  onChange={(event) =>
                    setWhich(choicesOf(data).find((one) => keyOf(one.which) === event.target.value)!.which)
                  }
                >
                  {choicesOf(data).map((one) => (
                    <option key={keyOf(one.which)} value={keyOf(one.which)}>
                      {one.words}
                    </option>
                  ))}
                </select>
              </label>
              <label className="text-sm">
                <span className="quiet block">Only</span>
                <input
                  type="search"
                  className="input input-sm w-64"
                  placeholder="a name, a number, a barcode"
                  value={find}
                  onChange={(event) => setFind(event.target.value)}
                />
              </label>
              <p role="status" className="text-sm">
                {said}
              </p>
            </div>
            {data.tags.length > 0 && data.tags.every(({ shelf }) => shelf === null) ? (
              <p className="quiet mt-2 text-sm">
                Of none of them it is known where it stands, so they come by item number. Places at the
                shelves are a column of the items in the stockroom.
              </p>
            ) : null}
            <TagRows {...{ tags: data, view, busy, onHang }} onAll={() => setWhole(true)} />
          </section>
          <OffShelf {...{ tags: data, place, busy, onHang }} />
          {everywhere ? <StoresStand view={view} /> : null}
        </>
      ) : null}
    </>
  );
}

function Head({ view, tags }: { view: LensView; tags: TagsView | undefined }) {
  const day = view.at.slice(0, 10);
  const next = new Date(Date.parse(`${view.now.slice(0, 10)}T12:00Z`) + 86_400_000)
    .toISOString()
    .slice(0, 10);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1 className="text-3xl">Shelf tags</h1>
        <p className="quiet">
          {view.store.name}, {dateWords(day)}
          {tags ? `, at the prices of ${saidClock(tags.opens)} when it opens` : ''}
        </p>
        {day === next ? null : (
          <a className="link ml-auto" href={`/send/tags${lensQuery({ ...view.lens, at: `${next}T12:00` })}`}>
            Those of tomorrow
          </a>
        )}
      </div>
      {view.group ? (
        <p className="mt-1 text-sm">
          Tags are those of one store. This is the first of {view.group.name}; choose another above.
        </p>
      ) : null}
      {tags ? (
        <p className="mt-3" role="status">
          {tags.due === 0 ? (
            'Nothing changes at the shelves: the tags of the day before hang on.'
          ) : (
            <>
              <b className="font-serif text-2xl">{saidCount(tags.due - tags.done)}</b> of{' '}
              {saidCount(tags.due)} {tags.due === 1 ? 'shelf' : 'shelves'} still to do
            </>
          )}
        </p>
      ) : null}
    </>
  );
}

function Unsent({ view, promotions }: { view: LensView; promotions: readonly string[] }) {
  const more = promotions.length - 4;
  return (
    <Notice tone="care" className="mt-3">
      Not all of the plan was sent to the tills of {view.store.name}, which ring what they were sent
      {promotions.length > 0 ? `: ${promotions.slice(0, 4).join(', ')}` : ''}
      {more > 0 ? ` and ${more} more` : ''}.{' '}
      <a className="link" href={`/send${lensQuery(view.lens)}`}>
        See what would go out
      </a>
    </Notice>
  );
}
