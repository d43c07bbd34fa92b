import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { type LensView, lensQuery, type RungView, type TerminalsView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount, shortMoment } from '../../ui/writing/index.ts';
import { Deals, ItemSearch, Lost, Why } from '../check/index.ts';
import { ask, refusalOf, WithServer } from '../server/index.ts';
import { Beside, HeldWords } from './held-words.tsx';

interface RungProps {
  readonly view: LensView;
  readonly terminal: string | null;
  readonly item: string | null;
}

export function Rung(props: RungProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

/** What a till rang for an item at the moment of the lens, and why: the answer to a complaint. */
function Desk({ view, ...first }: RungProps) {
  const [terminal, setTerminal] = useState(first.terminal);
  const [item, setItem] = useState(first.item);
  const { data: terminals } = useQuery({
    queryKey: ['terminals', view.lens.where],
    queryFn: () => ask<TerminalsView>(`/api/send/terminals?${tillsInSight(view)}`),
    staleTime: 60_000,
  });
  const inSight = [...(terminals?.terminals ?? [])].sort((a, b) => (a.terminal < b.terminal ? -1 : 1));
  const elsewhere = terminal !== null && !inSight.some((one) => one.terminal === terminal);
  const chosen = terminal ?? inSight[0]?.terminal ?? null;
  useEffect(() => {
    const said = { ...(terminal ? { terminal } : {}), ...(item ? { item } : {}) };
    const here = `/check/rung${lensQuery(view.lens, said)}`;
    if (location.pathname + location.search !== here) history.replaceState(null, '', here);
  }, [terminal, item, view.lens]);
  const asked = new URLSearchParams({ terminal: chosen ?? '', item: item ?? '' });
  if (view.lens.at !== null) asked.set('at', view.at);
  if (view.lens.shopper) asked.set('group', view.lens.shopper);
  const rung = useQuery({
    queryKey: ['rung', asked.toString()],
    queryFn: ({ signal }) => ask<RungView>(`/api/rung?${asked}`, undefined, signal),
    enabled: chosen !== null && item !== null,
  });
  const refusal = rung.error ? refusalOf(rung.error) : null;
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-x-5 gap-y-3">
        <label className="flex items-center gap-2">
          <span className="text-sm">Till</span>
          <select
            className="select w-auto max-w-80"
            value={chosen ?? ''}
            onChange={({ target }) => setTerminal(target.value)}
          >
            {elsewhere ? <option value={terminal}>{terminal}</option> : null}
            {inSight.map((one) => (
              <option key={one.terminal} value={one.terminal}>
                {one.terminal}, {one.storeName}
              </option>
            ))}
          </select>
        </label>
        <div className="min-w-72 flex-1">
          <ItemSearch onPick={setItem} startOpen={item === null} />
        </div>
      </div>
      <p className="quiet mt-2 text-sm">
        At the moment that stands above, {shortMoment(view.at, view.now)}: press it to say another.
        {terminals && terminals.meant > inSight.length
          ? ` ${saidCount(inSight.length)} of ${saidCount(terminals.meant)} tills are listed: name the store above to find another.`
          : ''}
      </p>
      {refusal ? (
        <Notice tone="trouble" className="mt-6">
          {refusal.message} {refusal.faults.map(({ message }) => message).join('; ')}
        </Notice>
      ) : null}
      {item === null ? (
        <p className="mt-6">Name the item that was rung, by name, number or barcode.</p>
      ) : null}
      {rung.isFetching && !rung.data ? (
        <p className="quiet mt-6" role="status">
          Reading the price file that it held …
        </p>
      ) : null}
      {rung.data && !refusal ? <Answer rung={rung.data} view={view} /> : null}
    </>
  );
}

/** In a list of more nobody finds one. */
const TILLS_LISTED = 500;

function tillsInSight({ lens, group, store }: LensView): URLSearchParams {
  const place: Record<string, string> = group ? { group: group.id } : lens.where ? { store: store.id } : {};
  return new URLSearchParams({ all: '1', most: String(TILLS_LISTED), ...place });
}

function Answer({ rung, view }: { rung: RungView; view: LensView }) {
  const query = lensQuery({ ...view.lens, where: rung.store.id });
  return (
    <div className="mt-6 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
      <div>
        {rung.story ? null : <h2 className="mb-3 text-2xl">{rung.item}</h2>}
        {rung.story ? (
          <>
            <Why story={rung.story} query={query} />
            <Deals story={rung.story} query={query} />
            <Lost story={rung.story} query={query} />
          </>
        ) : (
          <p className="font-serif text-xl">
            {rung.held === null
              ? 'What it rang is not on record.'
              : rung.held.number
                ? 'Its price file knows no such item: it could not ring it.'
                : 'It could ring nothing.'}
          </p>
        )}
      </div>
      <div>
        <HeldWords rung={rung} view={view} />
        <Beside rung={rung} query={query} />
      </div>
    </div>
  );
}
