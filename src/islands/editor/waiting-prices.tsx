import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { LensView, WaitingPrices } from '../../contracts/view/index.ts';
import { saidAmount, saidCount } from '../../ui/writing/index.ts';
import { ask, refusalOf } from '../server/index.ts';
import { PricesSideBySide } from '../side-by-side/index.ts';

const HEADS = ['As it stands', 'As it would be'] as const;

/** What the change makes of prices in a store, opened on demand. */
export function WaitingPricesPart({ id, revision, view }: { id: string; revision: number; view: LensView }) {
  const [open, setOpen] = useState(false);
  const { data, error } = useQuery({
    queryKey: ['waiting-prices', id, revision, view.store.id],
    queryFn: () =>
      ask<WaitingPrices>(
        `/api/promotions/waiting-prices?${new URLSearchParams({ id, store: view.store.id })}`,
      ),
    enabled: open,
  });
  return (
    <div className="mt-2">
      <button type="button" className="link" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Close the prices' : 'Prices side by side'}
      </button>
      {open ? (
        <div className="mt-1">
          {error ? (
            <p role="alert" className="text-error">
              {refusalOf(error).message}
            </p>
          ) : data ? (
            <Told of={data} view={view} />
          ) : (
            <p role="status" className="quiet">
              Working out the prices …
            </p>
          )}
        </div>
      ) : null}
    </div>
  );
}

function Told({ of: { storeName, total, prices, baskets }, view }: { of: WaitingPrices; view: LensView }) {
  const elsewhere = (
    <span className="quiet"> Prices as in {storeName}; the lens above shows another store.</span>
  );
  if (baskets.length > 0)
    return (
      <section aria-label="Baskets side by side">
        <p>What these come to with nothing else beside it.{elsewhere}</p>
        <table className="rows mt-1">
          <thead>
            <tr>
              <th>Basket</th>
              {HEADS.map((head) => (
                <th key={head} className="figure">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {baskets.map(({ words, before, after }) => (
              <tr key={words}>
                <td>{words}</td>
                <td className="figure">{saidAmount(before)}</td>
                <td className={`figure ${before === after ? '' : 'font-semibold'}`}>{saidAmount(after)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    );
  if (prices.length === 0) return <p>No price becomes another.{elsewhere}</p>;
  return (
    <section aria-label="Prices side by side">
      <p>
        {saidCount(total)} {total === 1 ? 'price becomes another' : 'prices become others'}
        {total > prices.length ? `; the first ${prices.length} are here` : ''}.{elsewhere}
      </p>
      <PricesSideBySide prices={prices} near={view.at} heads={HEADS} />
    </section>
  );
}
