/** Several ways to look, of which one holds. */
export function ChoiceRow<T extends string | number>({
  name,
  choices,
  chosen,
  onChoose,
}: {
  /** What is chosen, for a screen reader. */
  name: string;
  choices: readonly { readonly value: T; readonly words: string }[];
  chosen: T;
  onChoose: (value: T) => void;
}) {
  return (
    <fieldset className="flex flex-wrap gap-x-1">
      <legend className="sr-only">{name}</legend>
      {choices.map(({ value, words }) => (
        <label key={value} className="choice">
          <input
            type="radio"
            name={name}
            className="sr-only"
            checked={chosen === value}
            onChange={() => onChoose(value)}
          />
          {words}
        </label>
      ))}
    </fieldset>
  );
}
