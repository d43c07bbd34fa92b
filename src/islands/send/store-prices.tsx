import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { StorePricesReview } from '../../contracts/view/index.ts';
import { shortMoment } from '../../ui/moment.ts';
import { ask, refusalOf } from '../server/index.ts';

type Price = StorePricesReview['prices'][number];

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
          {data.total.toLocaleString('en')} {data.total === 1 ? 'price' : 'prices'}{' '}
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
      <div className="mt-1 max-h-96 overflow-y-auto">
        <table className="rows text-sm">
          <caption className="sr-only">Prices that change</caption>
          <thead className="sticky top-0 bg-base-100">
            <tr>
              <th>Item</th>
              <th className="figure">Sent</th>
              <th className="figure">Then</th>
              <th className="figure">Change</th>
              <th>From</th>
              <th>Why</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((price) => (
              <tr key={price.sku}>
                <td>
                  {price.name} <span className="quiet">{price.sku}</span>
                </td>
                <td className="figure">{price.before ?? 'not sold'}</td>
                <td className="figure font-semibold">{price.after ?? 'not sold'}</td>
                <td className="figure whitespace-nowrap">{percentOf(price)}</td>
                <td className="whitespace-nowrap">{price.at ? shortMoment(price.at, near) : 'at once'}</td>
                <td>{whyOf(price)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {shown.length === 0 ? <p className="quiet text-sm">Nothing of these has “{text}” in it.</p> : null}
    </section>
  );
}

const wordsOf = ({ name, sku, was, by }: Price): string => [name, sku, ...was, ...by].join(' ').toLowerCase();

const percentOf = ({ percent }: Price): string =>
  percent === null ? '' : `${percent > 0 ? '+' : '−'}${Math.abs(percent).toFixed(1)} %`;

function whyOf({ by, was, guests }: Price): string {
  const words =
    by.join(', then ') ||
    (was.length > 0 ? `without ${was.join(' and ')}, its regular price` : 'its regular price');
  return guests ? words : `${words}, for those it is for`;
}
