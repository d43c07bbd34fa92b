import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { type LensView, lensQuery, type ShelvesView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask, refusalOf } from '../server/index.ts';

/** How far all stores are with their shelves for a day; it is worked out once somebody asks. */
export function StoresStand({ view }: { view: LensView }) {
  const day = view.at.slice(0, 10);
  const [asked, setAsked] = useState(false);
  const { data, error, isFetching } = useQuery({
    queryKey: ['tags', 'stores', day],
    queryFn: ({ signal }) => ask<ShelvesView>(`/api/send/tags/stores?day=${day}`, undefined, signal),
    enabled: asked,
  });
  const behind = data?.stores.filter(({ due, done }) => done < due) ?? [];
  return (
    <section className="mt-8" aria-label="How the stores stand">
      <h2 className="text-xl">How the stores stand</h2>
      {asked ? null : (
        <p className="mt-1">
          <button type="button" className="btn btn-sm" onClick={() => setAsked(true)}>
            See which stores are behind
          </button>
        </p>
      )}
      {error ? <Notice tone="trouble">{refusalOf(error).message}</Notice> : null}
      <p role="status" className="mt-1 text-sm">
        {isFetching && !data
          ? 'Looking at the shelves of every store …'
          : data
            ? standWords(data, behind.length)
            : ''}
      </p>
      {data && data.stores.length > 0 ? (
        <table className="rows mt-1 text-sm">
          <thead>
            <tr>
              <th>Store</th>
              <th className="figure">To do</th>
              <th className="figure">Hang</th>
              <th className="max-sm:hidden">Last tick</th>
            </tr>
          </thead>
          <tbody>
            {data.stores.map(({ id, name, due, done, last }) => (
              <tr key={id}>
                <td>
                  <a className="link" href={`/send/tags${lensQuery({ ...view.lens, where: id })}`}>
                    {name}
                  </a>
                </td>
                <td className="figure">{due === done ? 'all hang' : saidCount(due - done)}</td>
                <td className="figure">
                  {saidCount(done)} of {saidCount(due)}
                </td>
                <td className="max-sm:hidden">
                  {last === null ? 'none yet' : shortMoment(timeIn(view.store.timeZone, last), view.now)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
    </section>
  );
}

const standWords = ({ stores }: ShelvesView, behind: number): string =>
  stores.length === 0
    ? 'No store has anything to hang for this day.'
    : behind === 0
      ? `All ${saidCount(stores.length)} stores with something to hang have hung it.`
      : `${saidCount(behind)} of ${saidCount(stores.length)} stores with something to hang are not done.`;
