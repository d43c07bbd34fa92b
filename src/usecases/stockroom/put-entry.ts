import { isDeepStrictEqual } from 'node:util';
import type Joi from 'joi';
import {
  done,
  ENTRY_SCHEMAS,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  shape,
} from '../../contracts/index.ts';
import {
  type EntryChange,
  entriesOf,
  type TableName,
  tableOf,
  withEntries,
} from '../../contracts/table/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { checkPlan } from '../../core/plan/index.ts';
import { permissionFor } from './change-stockroom.ts';
import { type StockroomPorts, writeEntries } from './write-entries.ts';

/**
 * Saves one entry whole, rules and all, as its own page holds it.
 * @param was the entry as it was opened: what somebody else made of it since is not overwritten. Null: a new one.
 */
export async function putEntry(
  ports: StockroomPorts,
  person: Person,
  { table, key, entry, was }: { table: TableName; key: string; entry: unknown; was: object | null },
  now: Instant,
): Promise<Outcome<{ version: number; waits: number | null }>> {
  if (!may(person, permissionFor(table)) || (table === 'items' && !person.costs))
    return failed({ kind: 'forbidden' });
  const schema = (ENTRY_SCHEMAS as Partial<Record<TableName, Joi.Schema>>)[table];
  if (!schema) return failed({ kind: 'not-found', what: `page for the table ${table}` });
  const shaped = shape<object>(schema as Joi.Schema<object>, entry);
  if (!shaped.ok) return failed({ kind: 'invalid', faults: shaped.faults });
  const { keyOf } = tableOf(table);
  if (keyOf(shaped.value) !== key)
    return invalid(['id'], `the id of the address is "${key}"`, 'the same id in the entry');
  const current = await ports.book.current();
  const { document, version } = current;
  const standing = entriesOf(document, table).find((one) => keyOf(one) === key) ?? null;
  if (!isDeepStrictEqual(standing, was))
    return failed({ kind: 'conflict', code: 'entry-saved', current: standing ?? undefined });
  const change: EntryChange = { table, puts: [shaped.value], drops: [] };
  const faults = checkPlan(withEntries(document, change, keyOf));
  if (faults.length > 0) return failed({ kind: 'invalid', faults });
  const saved = await writeEntries(ports, current, change, { person, action: 'changed', now });
  if (saved.kind === 'not-theirs') return failed({ kind: 'invalid', faults: [saved.fault] });
  if (saved.kind === 'waits') return done({ version, waits: saved.id });
  return saved.kind === 'saved'
    ? done({ version: saved.version, waits: null })
    : failed({ kind: 'conflict', code: 'plan-moves', bringing: false });
}
