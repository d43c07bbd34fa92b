import { useQuery } from '@tanstack/react-query';
import type { LensView, Preview } from '../../contracts/view/index.ts';
import { shortMoment } from '../../ui/moment.ts';
import { ask, refusalOf, useResting } from '../server/index.ts';
import type { Pull } from './bar.tsx';
import type { Opened } from './calendar.tsx';
import { pulled } from './pulled.ts';

const RESTING = 200;

/** What the promotion would do where it is held, before it is let go. */
export function Beside({
  opened,
  pull,
  view,
  approves,
}: {
  opened: Opened;
  pull: Pull;
  view: LensView;
  approves: boolean;
}) {
  const next = pulled(opened.promotion, pull);
  const held = useResting('promotion' in next ? JSON.stringify(next.promotion) : '', RESTING);
  const { data, error } = useQuery({
    queryKey: ['preview', held, view.store.id],
    queryFn: () =>
      ask<Preview>('/api/promotions/preview', {
        method: 'POST',
        body: { promotion: JSON.parse(held), store: view.store.id },
      }),
    enabled: held !== '',
    placeholderData: (before) => before,
    retry: false,
  });
  const when = 'promotion' in next ? next.promotion.when : null;
  return (
    <aside
      aria-label="What it would do"
      className="fixed right-6 bottom-6 z-40 w-88 rounded-box border border-base-content/25 bg-base-100 p-4 text-sm shadow-lg"
    >
      <h2 className="text-lg">{opened.promotion.name}</h2>
      {when ? (
        <p className="mt-1">
          {shortMoment(when.from, view.at)} to {when.to ? shortMoment(when.to, view.at) : 'no end'}
        </p>
      ) : (
        <p className="mt-1 text-error">{'fault' in next ? next.fault : ''}</p>
      )}
      {error ? <p className="mt-2 text-error">{refusalOf(error).message}</p> : null}
      {when && data ? (
        <ul className="mt-2">
          <li>
            {data.changed} of {data.items} items change price, in{' '}
            {data.stores === 1 ? '1 store' : `${data.stores} stores`}
          </li>
          {data.belowCost > 0 ? <li className="text-error">{data.belowCost} below cost</li> : null}
          {data.meets.slice(0, 3).map(({ id, name, items, wins }) => (
            <li key={id}>
              {wins ? 'loses to' : 'takes over from'} {name} on {items}
            </li>
          ))}
          {data.terms?.daysAfter ? (
            <li className="text-error">runs {data.terms.daysAfter} days past the supplier’s terms</li>
          ) : null}
          {opened.promotion.status === 'approved' && !approves ? (
            <li>It becomes a draft until it is approved again.</li>
          ) : null}
        </ul>
      ) : null}
    </aside>
  );
}
