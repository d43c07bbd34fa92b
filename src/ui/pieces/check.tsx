/** Something that is or is not. */
export function Check({
  words,
  checked,
  onChange,
}: {
  words: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex items-start gap-2">
      <input
        type="checkbox"
        className="checkbox mt-0.5"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {words}
    </label>
  );
}
