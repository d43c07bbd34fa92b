import { type Extras, misread } from './basket-address.ts';

interface Field {
  readonly label: string;
  readonly hint: string;
  readonly amount?: true;
}

const FIRST = {
  codes: { label: 'Codes', hint: 'with spaces between' },
  payment: { label: 'Paid by', hint: 'card, cash …' },
  way: { label: 'Way of delivery', hint: 'courier, locker …' },
  charge: { label: 'Charge for delivery', hint: 'none: taken along', amount: true },
} as const satisfies Partial<Record<keyof Extras, Field>>;
const MORE = {
  region: { label: 'Region it goes to', hint: '' },
  postcode: { label: 'Postcode it goes to', hint: '' },
  linkTag: { label: 'Came by a link tagged', hint: '' },
  pastOrders: { label: 'Orders before this one', hint: 'unknown: a guest', amount: true },
  lifetimeSpend: { label: 'Spent so far', hint: 'unknown: a guest', amount: true },
} as const satisfies Partial<Record<keyof Extras, Field>>;

/** What some deals ask of a basket beside its goods. */
export function ExtraFields({ extras, onExtras }: { extras: Extras; onExtras: (extras: Extras) => void }) {
  const wrong = misread(extras);
  const fields = (table: Partial<Record<keyof Extras, Field>>) =>
    (Object.entries(table) as [keyof Extras, Field][]).map(([key, { label, hint, amount }]) => (
      <label key={key} className="flex flex-col">
        {label}
        <input
          className="input input-sm mt-0.5 w-36"
          inputMode={amount ? 'decimal' : 'text'}
          value={extras[key]}
          placeholder={hint}
          aria-invalid={wrong.includes(key)}
          onChange={(event) => {
            const text = event.target.value;
            onExtras({ ...extras, [key]: text });
          }}
        />
        {wrong.includes(key) ? <span className="text-error">no amount: it does not count</span> : null}
      </label>
    ));
  const told = (Object.keys(MORE) as (keyof Extras)[]).some((key) => extras[key] !== '');
  return (
    <div className="mt-4 text-sm">
      <div className="flex flex-wrap gap-4">{fields(FIRST)}</div>
      <details className="mt-3" open={told}>
        <summary className="cursor-pointer underline decoration-dotted underline-offset-4">
          More about this shopper and where it goes
        </summary>
        <div className="mt-2 flex flex-wrap gap-4">{fields(MORE)}</div>
      </details>
    </div>
  );
}
