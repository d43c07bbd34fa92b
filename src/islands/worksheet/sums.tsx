import { type Currency, formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { SheetSums } from '../../core/worksheet/index.ts';
import { saidAmount, saidCount, saidPercent, saidTimes } from '../../ui/writing/index.ts';

/** All lines together, one unit of each. */
export function Sums({
  sums,
  currency,
  regular,
  worst,
}: {
  sums: SheetSums;
  currency: Currency;
  regular: boolean;
  /** The line with the lowest margin, in words. */
  worst: string | null;
}) {
  const money = (amount: number) => saidAmount(formatAmount(amount as MinorUnits, currency));
  const percent = (points: number | null) => (points === null ? '–' : saidPercent(points));
  const rows = [
    [saidCount(sums.items), sums.lines === sums.items ? 'items' : `items, ${saidCount(sums.lines)} lines`],
    [`${money(sums.regular)} → ${money(sums.price)}`, `${currency.code}, one unit of each in every store`],
    [`${sums.change !== null && sums.change > 0 ? '+' : ''}${percent(sums.change)}`, 'change'],
    [percent(sums.margin), 'margin'],
    ...(regular
      ? []
      : [[sums.breakEven === null ? 'never' : saidTimes(sums.breakEven), 'as many units to break even']]),
  ] as const;
  return (
    <>
      <dl className="mt-3 flex flex-wrap gap-x-8 gap-y-1">
        {rows.map(([value, words]) => (
          <div key={words}>
            <dd className="font-serif text-xl tabular-nums">{value}</dd>
            <dt className="quiet text-sm">{words}</dt>
          </div>
        ))}
      </dl>
      {worst === null ? null : <p className="quiet mt-1 text-sm">Lowest margin: {worst}.</p>}
    </>
  );
}
