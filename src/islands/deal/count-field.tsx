import { COUNT_WORDS } from '../../core/sentence/index.ts';
import { KeptField } from '../../ui/pieces/index.ts';
import { countOf } from '../sentence/typed-numbers.ts';

/** A whole number from 1. */
export function CountField({
  label,
  count,
  onChange,
}: {
  label: string;
  count: number;
  onChange: (count: number) => void;
}) {
  return (
    <KeptField
      label={label}
      text={String(count)}
      inputMode="numeric"
      reading={{ read: countOf, wanted: 'a whole number from 1' }}
      onChange={(read) => read !== null && onChange(read)}
    />
  );
}

/** A whole number from 1, or nothing. */
export function OptionalCount({
  label,
  count,
  onChange,
}: {
  label: string;
  count: number | undefined;
  onChange: (count: number | null) => void;
}) {
  return (
    <KeptField
      label={label}
      text={String(count ?? '')}
      inputMode="numeric"
      optional
      reading={{ read: countOf, wanted: 'a whole number from 1, or nothing' }}
      onChange={onChange}
    />
  );
}

type CountedBy = keyof typeof COUNT_WORDS;

/** How units are counted together. */
export function CountedByField({
  count,
  onChange,
}: {
  count: CountedBy;
  onChange: (count: CountedBy) => void;
}) {
  return (
    <fieldset className="space-y-1">
      <legend className="mb-1">Units are counted</legend>
      {(Object.keys(COUNT_WORDS) as CountedBy[]).map((one) => (
        <label key={one} className="flex items-center gap-2">
          <input
            type="radio"
            name="counted"
            className="radio radio-sm"
            checked={count === one}
            onChange={() => onChange(one)}
          />
          {COUNT_WORDS[one]}
        </label>
      ))}
    </fieldset>
  );
}
