import { COUNT_WORDS } from '../../core/sentence/index.ts';

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
