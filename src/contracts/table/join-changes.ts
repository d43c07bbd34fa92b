import type { TableName } from './definition.ts';
import type { EntryChange } from './entries.ts';

/**
 * Changes one after another as few that come to the same, so that a table which changed often is written anew once. What
 * goes and comes back stays two: it comes back at the end of its table.
 */
export function joinChanges(
  changes: readonly EntryChange[],
  keyIn: (table: TableName, entry: object) => string,
): EntryChange[] {
  const joined: Joining[] = [];
  for (const { table, puts, drops } of changes) {
    const keyed = new Map(puts.map((entry) => [keyIn(table, entry), entry]));
    const last = joined.at(-1);
    const goesOn = last?.table === table && ![...keyed.keys()].some((key) => last.drops.has(key));
    const open = goesOn ? last : { table, puts: new Map<string, object>(), drops: new Set<string>() };
    if (open !== last) joined.push(open);
    for (const key of drops) {
      // Of one change what is put goes before what is dropped.
      if (keyed.has(key)) continue;
      open.drops.add(key);
      open.puts.delete(key);
    }
    for (const [key, entry] of keyed) open.puts.set(key, entry);
  }
  return joined.map(({ table, puts, drops }) => ({ table, puts: [...puts.values()], drops: [...drops] }));
}

interface Joining {
  readonly table: TableName;
  readonly puts: Map<string, object>;
  readonly drops: Set<string>;
}
