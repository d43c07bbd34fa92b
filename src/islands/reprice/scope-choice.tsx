import type { Choices } from '../../contracts/view/index.ts';
import { Part, PickList } from '../../ui/pieces/index.ts';
import type { Repricing } from '../worksheet/index.ts';

/** Which rows of regular prices are made anew. */
export type Scope = Repricing['scope'];

const KINDS = {
  every: 'every price that stands, in its place',
  chain: 'the chain’s own prices',
  zones: 'the prices of these zones:',
  stores: 'the prices of these stores:',
} as const satisfies Record<Scope['kind'], string>;

export function ScopeChoice({
  choices,
  scope,
  onChange,
}: {
  choices: Choices;
  scope: Scope;
  onChange: (scope: Scope) => void;
}) {
  const ids = scope.ids ?? [];
  const places = scope.kind === 'zones' ? choices.zones : choices.stores;
  const names = ids.map((id) => places.find((one) => one.id === id)?.name ?? id);
  return (
    <>
      <select
        className="select select-sm w-auto"
        aria-label="Which regular prices"
        value={scope.kind}
        onChange={(event) => {
          const kind = event.target.value as Scope['kind'];
          onChange(kind === 'zones' || kind === 'stores' ? { kind, ids: [] } : { kind });
        }}
      >
        {Object.entries(KINDS).map(([kind, words]) => (
          <option key={kind} value={kind}>
            {words}
          </option>
        ))}
      </select>
      {scope.kind === 'zones' || scope.kind === 'stores' ? (
        <Part
          name={scope.kind === 'zones' ? 'Which zones' : 'Which stores'}
          words={names.length === 0 ? 'choose them' : names.join(', ')}
          startOpen={ids.length === 0}
          key={scope.kind}
        >
          {() => (
            <PickList
              name={scope.kind === 'zones' ? 'Price zones' : 'Stores'}
              options={places.map(({ id, name }) => ({
                value: id,
                label: name,
                kind: scope.kind === 'zones' ? 'Price zones' : 'Stores',
              }))}
              chosen={ids}
              onPick={(id) =>
                onChange({
                  kind: scope.kind,
                  ids: ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id],
                })
              }
            />
          )}
        </Part>
      ) : null}
    </>
  );
}

/** What goes on beyond the rows that stand in the scope. */
export function ScopeOptions({
  scope,
  fresh,
  carry,
  onFresh,
  onCarry,
}: {
  scope: Scope;
  fresh: boolean;
  carry: boolean;
  onFresh: (fresh: boolean) => void;
  onCarry: (carry: boolean) => void;
}) {
  const option = (words: string, on: boolean, change: (on: boolean) => void) => (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={on}
        onChange={(event) => change(event.target.checked)}
      />
      {words}
    </label>
  );
  return (
    <div className="mt-2 flex flex-wrap gap-x-6 gap-y-1 text-sm">
      {scope.ids
        ? option(
            'goods without a price of their own there get one, made from what counts there',
            fresh,
            onFresh,
          )
        : null}
      {option('prices that begin later are made anew too; else they overtake the new ones', carry, onCarry)}
    </div>
  );
}
