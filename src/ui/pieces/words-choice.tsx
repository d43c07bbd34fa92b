import { Check } from './check.tsx';

/** Some of the words that are known, none of which is typed. What is chosen and no longer known stays until it is left out. */
export function WordsChoice({
  label,
  known,
  chosen,
  none,
  onChange,
}: {
  label: string;
  known: readonly { readonly value: string; readonly words: string }[];
  chosen: readonly string[];
  /** What is said where nothing is known. */
  none: string;
  onChange: (chosen: string[]) => void;
}) {
  const values = new Set(known.map(({ value }) => value));
  const gone = chosen.filter((value) => !values.has(value)).map((value) => ({ value, words: value }));
  const all = [...known, ...gone];
  return (
    <fieldset className="block">
      <legend>{label}</legend>
      {all.length === 0 ? <p className="quiet">{none}</p> : null}
      <span className="mt-0.5 block max-h-48 space-y-1 overflow-y-auto pl-1">
        {all.map(({ value, words }) => (
          <Check
            key={value}
            words={words}
            checked={chosen.includes(value)}
            onChange={(checked) =>
              onChange(checked ? [...chosen, value] : chosen.filter((one) => one !== value))
            }
          />
        ))}
      </span>
    </fieldset>
  );
}
