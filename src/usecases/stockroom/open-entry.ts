import { failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import { entriesOf, type TableName, tableOf } from '../../contracts/table/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';

/** One entry of a table of the stockroom, whole, as far as the person may see it. */
export async function openEntry(
  ports: { book: PlanBook },
  person: Person,
  table: TableName,
  key: string,
): Promise<Outcome<object>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const { document } = await seenBy(ports.book, person);
  const { keyOf, one } = tableOf(table);
  const found = entriesOf(document, table).find((entry) => keyOf(entry) === key);
  return found ? { ok: true, value: found } : failed({ kind: 'not-found', what: `${one} ${key}` });
}
