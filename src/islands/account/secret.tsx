/** A field for a password. */
export function Secret({ label, name, complete }: { label: string; name: string; complete: string }) {
  return (
    <label className="block text-sm">
      {label}
      <input type="password" name={name} autoComplete={complete} className="input input-sm mt-0.5 w-full" />
    </label>
  );
}
