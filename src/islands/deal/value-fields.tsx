import type { ValueDocument } from '../../core/plan/index.ts';
import { KeptField } from '../../ui/pieces/index.ts';
import { basisPointsOf, numberOf } from '../sentence/typed-numbers.ts';

const WAYS = {
  percentOff: 'per cent less',
  each: 'a price each',
  amountOffEach: 'less for each',
  total: 'one price together',
  amountOff: 'less in all',
} as const;
export type Way = keyof typeof WAYS;

export const wayOf = (value: ValueDocument): Way => (Object.keys(WAYS) as Way[]).find((way) => way in value)!;

/** What the number of one way says in another: a percentage and an amount have nothing in common. */
const FIRST = { percentOff: 1_000, each: '1', amountOffEach: '1', total: '10', amountOff: '1' } as const;

export const asValue = (way: Way, value: number | string): ValueDocument => ({ [way]: value }) as never;

/** What is made of the units: which way, and how much. */
export function ValueFields({
  value,
  ways,
  currency,
  onChange,
}: {
  value: ValueDocument;
  ways: readonly Way[];
  currency: string;
  onChange: (value: ValueDocument) => void;
}) {
  const way = wayOf(value);
  const amount = (value as Record<string, string | number>)[way]!;
  return (
    <span className="flex flex-wrap items-end gap-2">
      <label className="block flex-1">
        Shoppers pay
        <select
          className="select select-sm mt-0.5 w-full"
          value={way}
          onChange={(event) => {
            const next = event.target.value as Way;
            const both = next !== 'percentOff' && way !== 'percentOff';
            onChange(asValue(next, both ? amount : FIRST[next]));
          }}
        >
          {ways.map((one) => (
            <option key={one} value={one}>
              {WAYS[one]}
            </option>
          ))}
        </select>
      </label>
      <span className="block w-20">
        <HowMuch key={way} way={way} amount={amount} currency={currency} onChange={onChange} />
      </span>
    </span>
  );
}

/** The number of a value, in per cent or in money. */
function HowMuch({
  way,
  amount,
  currency,
  onChange,
}: {
  way: Way;
  amount: string | number;
  currency: string;
  onChange: (value: ValueDocument) => void;
}) {
  const put = (read: string | number | null) => {
    if (read !== null) onChange(asValue(way, read));
  };
  return way === 'percentOff' ? (
    <KeptField
      label="in %"
      text={String(Number(amount) / 100)}
      reading={{ read: basisPointsOf, wanted: 'a percentage such as 15' }}
      onChange={put}
    />
  ) : (
    <KeptField
      label={`in ${currency}`}
      text={String(amount)}
      reading={{ read: numberOf, wanted: 'an amount such as 2.50' }}
      onChange={put}
    />
  );
}
