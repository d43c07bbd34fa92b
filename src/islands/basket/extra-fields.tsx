import type { ChainWords } from '../../contracts/view/index.ts';
import { useChoices } from '../selection/index.ts';
import { type Extras, misread } from './basket-address.ts';

interface Field {
  readonly label: string;
  readonly hint: string;
  readonly amount?: true;
  /** The words of the chain that it is one of. */
  readonly of?: keyof ChainWords;
}

const FIRST = {
  codes: { label: 'Codes', hint: 'commas between' },
  payment: { label: 'Paid by', hint: 'not said', of: 'payments' },
  way: { label: 'Way of delivery', hint: 'not said', of: 'deliveries' },
  charge: { label: 'Charge for delivery', hint: 'none: taken along', amount: true },
} as const satisfies Partial<Record<keyof Extras, Field>>;
const MORE = {
  region: { label: 'Region it goes to', hint: 'not said', of: 'regions' },
  postcode: { label: 'Postcode it goes to', hint: '' },
  linkTag: { label: 'Came by a link tagged', hint: 'none', of: 'linkTags' },
  pastOrders: { label: 'Orders before this one', hint: 'unknown: a guest', amount: true },
  lifetimeSpend: { label: 'Spent so far', hint: 'unknown: a guest', amount: true },
} as const satisfies Partial<Record<keyof Extras, Field>>;

/** What some deals ask of a basket beside its goods. */
export function ExtraFields({ extras, onExtras }: { extras: Extras; onExtras: (extras: Extras) => void }) {
  const wrong = misread(extras);
  const words = useChoices().data?.words;
  const fields = (table: Partial<Record<keyof Extras, Field>>) =>
    (Object.entries(table) as [keyof Extras, Field][]).map(([key, field]) => {
      const put = (text: string) => onExtras({ ...extras, [key]: text });
      return field.of ? (
        <WordSelect
          key={key}
          field={field}
          value={extras[key]}
          known={words?.[field.of] ?? []}
          onChange={put}
        />
      ) : (
        <Typed key={key} field={field} value={extras[key]} wrong={wrong.includes(key)} onChange={put} />
      );
    });
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

interface FieldProps {
  readonly field: Field;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

function Typed({ field: { label, hint, amount }, value, wrong, onChange }: FieldProps & { wrong: boolean }) {
  return (
    <label className="flex flex-col">
      {label}
      <input
        className="input input-sm mt-0.5 w-44"
        inputMode={amount ? 'decimal' : 'text'}
        value={value}
        placeholder={hint}
        aria-invalid={wrong}
        onChange={(event) => onChange(event.target.value)}
      />
      {wrong ? <span className="text-error">no amount: it does not count</span> : null}
    </label>
  );
}

/** One of the chain's words; what an address brought that is none of them is there too. */
function WordSelect({
  field: { label, hint },
  value,
  known,
  onChange,
}: FieldProps & { known: readonly string[] }) {
  const words = value === '' || known.includes(value) ? known : [...known, value];
  return (
    <label className="flex flex-col">
      {label}
      <select
        className="select select-sm mt-0.5 w-44"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        <option value="">{hint}</option>
        {words.map((word) => (
          <option key={word} value={word}>
            {word}
          </option>
        ))}
      </select>
    </label>
  );
}
