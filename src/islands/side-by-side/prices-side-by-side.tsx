import type { ChangedPriceView } from '../../contracts/view/index.ts';
import { saidAmount, saidPercent, shortMoment } from '../../ui/writing/index.ts';

/** Prices that become others, beside those they are now. */
export function PricesSideBySide({
  prices,
  near,
  heads,
}: {
  prices: readonly ChangedPriceView[];
  /** The day that is looked at: its year is not named. */
  near: string;
  heads: readonly [before: string, after: string];
}) {
  return (
    <div className="mt-1 max-h-96 overflow-y-auto">
      <table className="rows text-sm">
        <caption className="sr-only">Prices that change</caption>
        <thead className="sticky top-0 bg-base-100">
          <tr>
            <th>Item</th>
            <th className="figure">{heads[0]}</th>
            <th className="figure">{heads[1]}</th>
            <th className="figure">Change</th>
            <th>From</th>
            <th>Why</th>
          </tr>
        </thead>
        <tbody>
          {prices.map((price) => (
            <tr key={price.sku}>
              <td>
                {price.name} <span className="quiet">{price.sku}</span>
              </td>
              <td className="figure">{saidAmount(price.before ?? 'not sold')}</td>
              <td className="figure font-semibold">{saidAmount(price.after ?? 'not sold')}</td>
              <td className="figure whitespace-nowrap">{percentOf(price)}</td>
              <td className="whitespace-nowrap">{price.at ? shortMoment(price.at, near) : 'at once'}</td>
              <td>{whyOf(price)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const percentOf = ({ percent }: ChangedPriceView): string =>
  percent === null ? '' : `${percent > 0 ? '+' : '−'}${saidPercent(Math.abs(percent) * 100)}`;

function whyOf({ by, was, guests }: ChangedPriceView): string {
  const words =
    by.join(', then ') ||
    (was.length > 0 ? `without ${was.join(' and ')}, its regular price` : 'its regular price');
  return guests ? words : `${words}, for those it is for`;
}
