import { useQuery } from '@tanstack/react-query';
import type { DealPreview, LensView, Preview } from '../../contracts/view/index.ts';
import { saidAmount, saidCount, shortMoment } from '../../ui/writing/index.ts';
import { ask, refusalOf, useResting, useSame } from '../server/index.ts';
import type { Pull } from './bar.tsx';
import type { Opened } from './desk.ts';
import { pulled } from './pulled.ts';

const RESTING = 200;

type Told = readonly { readonly words: string; readonly alarming: boolean }[];

const calm = (words: string) => ({ words, alarming: false });
const alarm = (words: string) => ({ words, alarming: true });
const inStores = (count: number): string => (count === 1 ? '1 store' : `${saidCount(count)} stores`);

function toldOfChange({ changed, items, stores, belowCost, kept, meets, terms }: Preview): Told {
  return [
    calm(`${saidCount(changed)} of ${saidCount(items)} items change price, in ${inStores(stores)}`),
    ...(belowCost > 0 ? [alarm(`${belowCost} below cost`)] : []),
    ...(kept > 0 ? [alarm(`${kept} would get dearer and keep their price`)] : []),
    ...meets
      .slice(0, 3)
      .map(({ name, items: met, wins }) =>
        calm(`${wins ? 'loses to' : 'takes over from'} ${name} on ${met}`),
      ),
    ...(terms?.daysAfter ? [alarm(`runs ${terms.daysAfter} days past the supplier’s terms`)] : []),
  ];
}

function toldOfDeal({ stores, trial, rivals, warnings }: DealPreview): Told {
  return [
    calm(`counts in ${inStores(stores)}`),
    ...(trial
      ? [
          calm(
            `a basket for it costs ${saidAmount(trial.basket.receipt.total)}, without it ${saidAmount(trial.without)}`,
          ),
        ]
      : []),
    ...rivals
      .slice(0, 3)
      .map(({ name, items }) => calm(`wants the same ${saidCount(items)} items as ${name}`)),
    ...(warnings.length > 0 ? [alarm(`${warnings.length} to look at on its page`)] : []),
  ];
}

/** What the promotion would do where it is held, before it is let go. */
export function Beside({ opened, pull, view }: { opened: Opened; pull: Pull; view: LensView }) {
  const next = pulled(opened.promotion, pull);
  const held = useResting(useSame('promotion' in next ? next.promotion : null), RESTING);
  const deal = opened.promotion.offer.kind !== 'priceChange';
  const { data, error } = useQuery({
    queryKey: ['preview', held, view.store.id],
    queryFn: async ({ signal }): Promise<Told> => {
      const body = { promotion: held, store: view.store.id };
      return deal
        ? toldOfDeal(await ask<DealPreview>('/api/promotions/preview-deal', { method: 'POST', body }, signal))
        : toldOfChange(await ask<Preview>('/api/promotions/preview', { method: 'POST', body }, signal));
    },
    enabled: held !== null,
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
          {data.map(({ words, alarming }) => (
            <li key={words} className={alarming ? 'text-error' : ''}>
              {words}
            </li>
          ))}
        </ul>
      ) : null}
    </aside>
  );
}
