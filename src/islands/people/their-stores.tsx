import { useState } from 'react';
import type { PeopleView } from '../../contracts/view/index.ts';

/** The stores that somebody, or a program, is kept to. */
export function TheirStores({
  chosen,
  stores,
  fault,
  onStore,
}: {
  chosen: readonly string[];
  stores: PeopleView['stores'];
  fault: string | null;
  onStore: (id: string, theirs: boolean) => void;
}) {
  const [wanted, setWanted] = useState('');
  const meant = stores.filter(({ id, name }) =>
    `${id} ${name}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  );
  return (
    <fieldset className="md:col-span-2">
      <legend>Their stores ({chosen.length})</legend>
      <input
        type="search"
        className="input input-sm mt-0.5 w-72"
        aria-label="Find a store"
        placeholder="Find a store"
        value={wanted}
        onChange={({ target }) => setWanted(target.value)}
      />
      <div className="mt-2 grid max-h-48 gap-x-6 overflow-y-auto sm:grid-cols-2">
        {meant.map(({ id, name }) => (
          <label key={id} className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={chosen.includes(id)}
              onChange={({ target }) => onStore(id, target.checked)}
            />
            {name} <span className="quiet">{id}</span>
          </label>
        ))}
      </div>
      {fault ? (
        <p className="text-error" role="alert">
          {fault}
        </p>
      ) : null}
    </fieldset>
  );
}
