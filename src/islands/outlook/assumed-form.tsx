import { type AssumedField, misreadFields, type TypedAssumptions } from './assumed.ts';

/** The assumptions as a sentence with fields. */
export function AssumedForm({
  typed,
  onChange,
  of,
}: {
  typed: TypedAssumptions;
  onChange: (typed: TypedAssumptions) => void;
  /** What is looked at: a price change, a deal, or all promotions of a week. */
  of: 'prices' | 'deal' | 'week';
}) {
  const wrong = misreadFields(typed);
  const field = (name: AssumedField, label: string) => (
    <input
      className="input input-sm mx-1 w-16 text-right tabular-nums"
      inputMode="decimal"
      aria-label={label}
      aria-invalid={wrong.includes(name)}
      value={typed[name]}
      onChange={(event) => onChange({ ...typed, [name]: event.target.value })}
    />
  );
  return (
    <div className="mt-2 max-w-4xl text-sm leading-10">
      No sales are known yet, so this is taken to be so: each item sells
      {field('unitsAWeek', 'Units of an item that a store sells in a week')}
      units a week in each store; of what gets cheaper{' '}
      <select
        className="select select-sm w-auto"
        aria-label="How much more is sold"
        value={typed.demand}
        onChange={(event) => onChange({ ...typed, demand: event.target.value as TypedAssumptions['demand'] })}
      >
        <option value="uplift">so much more is sold:</option>
        <option value="elasticity">for each 1 % off:</option>
      </select>
      {typed.demand === 'uplift'
        ? field('uplift', 'Percent more of what gets cheaper')
        : field('elasticity', 'Percent more for each percent off')}
      % more
      {of === 'week' ? null : (
        <>
          ; of that, {field('fromOthers', 'Percent that is taken from other goods of the group')} % is taken
          from other goods of the same group
        </>
      )}
      {of === 'prices' ? null : (
        <>
          ; {field('takeUp', 'Percent of its goods that are bought by the deal')} % of its goods are bought by
          {of === 'deal' ? ' the deal' : ' a deal where there is one'}
        </>
      )}
      .
      {wrong.length > 0 ? (
        <p className="text-error" role="alert">
          A field says no number that can be so; what stands below is older.
        </p>
      ) : null}
    </div>
  );
}
