import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { ChangedPriceView, StorePricesReview } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { ask, refusalOf } from '../server/index.ts';
import { PricesSideBySide } from '../side-by-side/index.ts';

/** The prices that a store would get in the place of those it was sent, the largest change first. */
export function StorePrices({ store, name, near }: { store: string; name: string; near: string }) {
  const [text, setText] = useState('');
  const { data, error } = useQuery({
    queryKey: ['review', 'prices', store],
    queryFn: () => ask<StorePricesReview>(`/api/send/store-prices?${new URLSearchParams({ store })}`),
  });
  if (error)
    return (
      <p role="alert" className="text-error text-sm">
        {refusalOf(error).message}
      </p>
    );
  if (!data)
    return (
      <p role="status" className="quiet text-sm">
        Working out the prices …
      </p>
    );
  if (data.total === 0)
    return (
      <p className="text-sm">
        No price of an item changes: what is new here counts in the basket, or is there for later.
      </p>
    );
  const words = text.trim().toLowerCase().split(/\s+/);
  const shown = data.prices.filter((price) => words.every((word) => wordsOf(price).includes(word)));
  return (
    <section aria-label={`Prices of ${name} that change`}>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <p className="text-sm">
          {saidCount(data.total)} {data.total === 1 ? 'price' : 'prices'}{' '}
          {data.sent === null
            ? 'of its first file'
            : `that are not those of the file it was sent last (no. ${data.sent})`}
          {data.total > data.prices.length ? `; the first ${data.prices.length} are here` : ''}
        </p>
        <label className="ml-auto text-sm">
          Only{' '}
          <input
            type="search"
            className="input input-xs w-56"
            placeholder="an item or a promotion"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
      </div>
      <PricesSideBySide prices={shown} near={near} heads={['Sent', 'Then']} />
      {shown.length === 0 ? <p className="quiet text-sm">Nothing of these has “{text}” in it.</p> : null}
    </section>
  );
}

const wordsOf = ({ name, sku, was, by }: ChangedPriceView): string =>
  [name, sku, ...was, ...by].join(' ').toLowerCase();
