import { getTableColumns, max, type SQL, sql } from 'drizzle-orm';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import { KEY_MARK } from '../../contracts/table/index.ts';
import type { Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import type { AmountColumn } from './amount-column.ts';
import type { Codec } from './codec.ts';

/** Below PostgreSQL's limit of 65,535 parameters a statement, whatever the table. */
const ROWS_A_STATEMENT = 1000;

export async function insertRows(tx: Transaction, table: PgTable, rows: readonly object[]): Promise<void> {
  for (let i = 0; i < rows.length; i += ROWS_A_STATEMENT)
    await tx.insert(table).values(rows.slice(i, i + ROWS_A_STATEMENT) as never);
}

/** The rows of new entries, those that are named as parents before those that name them. */
export function rowsOf<E extends object>(
  { toRow, parents, ordered, key }: Codec<E>,
  entries: readonly E[],
  money: AmountColumn,
  first = 0,
): object[] {
  const rows: object[] = entries.map((entry, i) => ({
    ...toRow(entry, money),
    ...(ordered ? { position: first + i } : {}),
  }));
  return parents ? parentsFirst(rows as Record<string, string>[], key[0]!, parents) : rows;
}

/** Writes new entries, and changed ones over what they were; what they name becomes foreign keys anew. */
export async function putEntries<E extends object>(
  tx: Transaction,
  of: Codec<E>,
  entries: readonly E[],
  money: AmountColumn,
): Promise<void> {
  const table: PgTable = of.table;
  const columns: Record<string, PgColumn> = getTableColumns(table);
  const first = of.ordered ? await afterLast(tx, table, columns.position!) : 0;
  const rows = rowsOf(of, entries, money, first);
  const kept = [...of.key, ...(of.own ?? [])];
  const changed = Object.entries(columns).filter(([name]) => !kept.includes(name));
  const set = Object.fromEntries(
    changed.map(([name, column]) => [name, sql`excluded.${sql.identifier(nameOf(column))}`]),
  );
  const target = of.key.map((name) => columns[name]!);
  for (let i = 0; i < rows.length; i += ROWS_A_STATEMENT)
    await tx
      .insert(table)
      .values(rows.slice(i, i + ROWS_A_STATEMENT) as never)
      .onConflictDoUpdate({ target, set });
  if (of.names) await referTo(tx, of, entries);
}

/** Takes entries away by their keys. */
export async function dropEntries(
  tx: Transaction,
  { table, key }: Pick<Codec, 'table' | 'key'>,
  keys: readonly string[],
): Promise<void> {
  const columns: Record<string, PgColumn> = getTableColumns(table);
  const same = key.map((name, i): SQL => {
    const column = columns[name]!;
    const text = column.notNull ? sql`${column}` : sql`coalesce(${column}::text, '')`;
    return sql`${text} = gone.parts ->> ${sql.raw(String(i))}`;
  });
  await tx.execute(sql`
    delete from ${table} using jsonb_to_recordset(${keyParts(keys)}) as gone(parts jsonb)
    where ${sql.join(same, sql` and `)}`);
}

/** The parts of keys as one JSON value, so that their number meets no limit of parameters. */
export const keyParts = (keys: readonly string[]): SQL =>
  sql`${JSON.stringify(keys.map((key) => ({ parts: key.split(KEY_MARK) })))}::jsonb`;

/** Foreign keys for every name in the rules of these entries. */
export const referencesOf = <E extends object>({ names, key }: Codec<E>, entries: readonly E[]): object[] =>
  names
    ? entries.flatMap((entry) =>
        names
          .targets(entry)
          .map((target) => ({ [names.owner]: entry[key[0] as keyof E] as unknown, ...target })),
      )
    : [];

async function referTo<E extends object>(
  tx: Transaction,
  of: Codec<E>,
  entries: readonly E[],
): Promise<void> {
  const ids = entries.map((entry) => entry[of.key[0] as keyof E] as string);
  const owner = t.ruleReference[of.names!.owner];
  await tx.delete(t.ruleReference).where(sql`${owner} = any(${sql.param(ids)})`);
  await insertRows(tx, t.ruleReference, referencesOf(of, entries));
}

async function afterLast(tx: Transaction, table: PgTable, position: PgColumn): Promise<number> {
  const [row] = await tx.select({ last: max(position) }).from(table);
  return Number(row?.last ?? -1) + 1;
}

/** A column that bears the name of its field is called in the way of the database there. */
function nameOf(column: PgColumn): string {
  const { name, keyAsName } = column as PgColumn & { keyAsName?: boolean };
  return keyAsName ? name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`) : name;
}

/** An entry that names a parent comes after it, so that its foreign key holds within one statement or many. */
function parentsFirst<T extends Readonly<Record<string, unknown>>>(
  list: readonly T[],
  key: string,
  parents: string,
): T[] {
  const byId = new Map(list.map((entry) => [entry[key] as string, entry]));
  const placed = new Set<string>();
  const result: T[] = [];
  const place = (entry: T): void => {
    const id = entry[key] as string;
    if (placed.has(id)) return;
    const parent = entry[parents] == null ? undefined : byId.get(entry[parents] as string);
    if (parent) place(parent);
    placed.add(id);
    result.push(entry);
  };
  list.forEach(place);
  return result;
}
