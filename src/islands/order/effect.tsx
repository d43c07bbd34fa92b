import { type LensView, lensQuery, type StandingEffect } from '../../contracts/view/index.ts';
import { monthDay, saidAmount, saidCount } from '../../ui/writing/index.ts';

/** Which prices of the weeks ahead would be others. */
export function PriceEffect({ prices, view }: { prices: StandingEffect['prices']; view: LensView }) {
  const { items, stores, up, down, days, some } = prices;
  if (items === 0) return <p>No price of the next four weeks would be another.</p>;
  return (
    <>
      <p>
        {items === 1 ? 'One item' : `${saidCount(items)} items`} in{' '}
        {stores === 1 ? 'one store' : `${saidCount(stores)} stores`}: {saidCount(up)}{' '}
        {up === 1 ? 'price rises' : 'prices rise'}, {saidCount(down)} {down === 1 ? 'falls' : 'fall'}
        <span className="quiet">
          {' '}
          on{' '}
          {days.length === 1
            ? monthDay(days[0]!)
            : `${saidCount(days.length)} days from ${monthDay(days[0]!)}`}
        </span>
      </p>
      <ul className="mt-2 text-sm">
        {some.map(({ sku, name, store, date, was, will }) => (
          <li key={`${sku} ${store}`} className="hairline flex gap-x-3 border-b py-1">
            <span className="min-w-0 flex-1">
              <a
                className="hover:underline"
                href={`/check/price${lensQuery({ ...view.lens, at: `${date}T12:00` }, { item: sku })}`}
              >
                {name}
              </a>
              <span className="quiet block text-[13px]">
                {store}, {monthDay(date)}
              </span>
            </span>
            <span className="whitespace-nowrap tabular-nums">
              <span className="quiet">{amount(was)}</span> → {amount(will)}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

const amount = (text: string): string => (/^\d/.test(text) ? saidAmount(text) : text);

/** Which of the kept baskets would come to something else. */
export function BasketEffect({
  baskets: { of, others },
  view,
}: {
  baskets: StandingEffect['baskets'];
  view: LensView;
}) {
  if (of === 0) return null;
  return (
    <>
      <p className="mt-3">
        {others.length === 0
          ? `All ${saidCount(of)} kept baskets come to the same.`
          : `${saidCount(others.length)} of ${saidCount(of)} kept baskets come to something else:`}
      </p>
      <ul className="text-sm">
        {others.map(({ name, was, will }) => (
          <li key={name}>
            <a className="link" href={`/check/basket${lensQuery(view.lens)}`}>
              {name}
            </a>{' '}
            <span className="tabular-nums">
              {was === null ? 'not rung' : saidAmount(was)} → {will === null ? 'not rung' : saidAmount(will)}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
