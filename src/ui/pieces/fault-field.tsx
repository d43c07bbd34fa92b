/** A field whose fault stands under it. */
export function FaultField({
  label,
  value,
  fault,
  inputMode = 'decimal',
  onChange,
}: {
  label: string;
  value: string;
  fault: string | null;
  inputMode?: 'decimal' | 'numeric' | 'text' | 'url';
  onChange: (text: string) => void;
}) {
  return (
    <label className="block">
      {label}
      <input
        className={`input input-sm mt-0.5 w-full tabular-nums ${fault ? 'input-error' : ''}`}
        inputMode={inputMode}
        value={value}
        aria-invalid={fault !== null}
        onChange={(event) => onChange(event.target.value)}
      />
      {fault ? (
        <span className="block text-error" role="alert">
          {fault}
        </span>
      ) : null}
    </label>
  );
}
