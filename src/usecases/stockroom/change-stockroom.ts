import type Joi from 'joi';
import {
  done,
  ENTRY_SCHEMAS,
  failed,
  may,
  type Outcome,
  type Permission,
  type Person,
  shape,
} from '../../contracts/index.ts';
import {
  type CellFault,
  type Cells,
  type EntryChange,
  entriesOf,
  type ItemEntry,
  KEY_MARK,
  type Table,
  type TableName,
  tableOf,
} from '../../contracts/table/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { type Currency, currencyOf } from '../../core/money/index.ts';
import { type Fault, type PlanDocument, withArticle } from '../../core/plan/index.ts';
import { type CellNames, cellNames, withIds } from './names-of-ids.ts';
import { withOwnIds } from './own-ids.ts';
import { wholeFaults } from './whole-faults.ts';
import { type StockroomPorts, writeEntries } from './write-entries.ts';

/** Cells of one row, as they were seen and as they shall be. */
export interface RowEdit {
  /** Null: a new row. */
  readonly key: string | null;
  readonly cells: Cells;
  /** What stood in these cells when they were looked at; a cell that another person changed since is not overwritten. */
  readonly was?: Cells;
}

export interface StockroomEdit {
  readonly table: TableName;
  readonly edits: readonly RowEdit[];
  readonly drops: readonly string[];
  /** A new row whose key is there already changes that row; what it does not say stays. */
  readonly overwrite?: boolean;
}

/** A fault of one row: its place among the edits, or a key that may not go. */
export interface RowFault extends CellFault {
  readonly row: number | null;
  readonly key: string | null;
}

export interface CheckedEdit {
  readonly change: EntryChange;
  readonly faults: readonly RowFault[];
  /** Keys that are new; the others are changed. */
  readonly added: readonly string[];
  readonly changed: readonly string[];
  /** The place among the edits from which each key comes. */
  readonly rowOf: ReadonlyMap<string, number>;
}

/** Goods and prices are the planners' matter; places and who shops there that of administrators. */
export const permissionFor = (table: TableName): Permission =>
  ['stores', 'zones', 'terminals', 'storeGroups', 'ranges', 'shopperGroups'].includes(table)
    ? 'administer'
    : 'plan';

/** How often a change is checked again because somebody else changed the plan in between. */
const ATTEMPTS = 4;

/** Changes rows of one table of the stockroom: all of them or none. */
export async function changeStockroom(
  ports: StockroomPorts,
  person: Person,
  edit: StockroomEdit,
  now: Instant,
): Promise<Outcome<{ version: number; keys: readonly string[]; waits: number | null }>> {
  if (!may(person, permissionFor(edit.table)) || writesUnseenCost(person, edit))
    return failed({ kind: 'forbidden' });
  for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
    const current = await ports.book.current();
    const { document, version } = current;
    const checked = checkEdit(document, withOwnIds(edit, document));
    if (checked.faults.length > 0) return failed({ kind: 'invalid', faults: checked.faults.map(pathOf) });
    if (checked.change.puts.length + checked.change.drops.length === 0)
      return done({ version, keys: [], waits: null });
    const saved = await writeEntries(ports, current, checked.change, { person, action: 'changed', now });
    if (saved.kind === 'not-theirs') return failed({ kind: 'invalid', faults: [saved.fault] });
    const { keyOf } = tableOf(edit.table);
    const keys = checked.change.puts.map(keyOf);
    if (saved.kind === 'saved') return done({ version: saved.version, keys, waits: null });
    if (saved.kind === 'waits') return done({ version, keys, waits: saved.id });
  }
  return failed({ kind: 'conflict', code: 'plan-moves', bringing: false });
}

/** Costs are written by those who see them. */
export const writesUnseenCost = (
  { costs }: Person,
  { table, edits }: Pick<StockroomEdit, 'table' | 'edits'>,
): boolean => !costs && table === 'items' && edits.some(({ cells }) => 'cost' in cells);

/** An edit changes cells alone: two entries with the same cells are the same. */
function sameRow({ toRow, filedCells }: Table<object>, a: object, b: object): boolean {
  const rowOf = (entry: object): Cells => ({ ...toRow(entry), ...filedCells?.(entry) });
  const one = rowOf(a);
  const other = rowOf(b);
  return Object.keys(one).every((field) => one[field] === other[field]);
}

const pathOf = ({ row, key, field, what, wanted }: RowFault): Fault => ({
  path: row === null ? ['drops', key ?? '', field] : ['edits', row, field],
  what,
  wanted,
});

/** What an edit would do to a plan, and everything that is wrong with it, row by row. */
export function checkEdit(
  document: PlanDocument,
  typed: StockroomEdit,
  nameOf: (row: number) => string = (row) => `row ${row + 1}`,
): CheckedEdit {
  const edit = withIdsOf(typed, cellNames(document));
  const table = tableOf(edit.table);
  const before = new Map(entriesOf(document, edit.table).map((entry) => [table.keyOf(entry), entry]));
  const faults: RowFault[] = [];
  const puts = new Map<string, { entry: object; row: number }>();
  const moved: string[] = [];
  const currency = currencyOf(document.currency)!;
  edit.edits.forEach((one, row) => {
    const report = (fault: CellFault) => void faults.push({ ...fault, row, key: one.key });
    const target = one.key ?? (edit.overwrite ? keyOfNew(table, one.cells, currency) : null);
    const known = target === null ? null : (before.get(target) ?? (one.key === null ? null : undefined));
    if (known === undefined) return report(gone(table));
    const standing = known ? table.toRow(known) : {};
    const meant = table.fromRow({ ...standing, ...one.was }, known, { currency });
    const was = meant.ok ? table.toRow(meant.entry) : null;
    for (const fault of overtaken(one, standing, was)) report(fault);
    const read = table.fromRow({ ...standing, ...one.cells }, known, { currency });
    if (!read.ok) return read.faults.forEach(report);
    const misshapen = shapeFaults(table, read.entry);
    if (misshapen.length > 0) return misshapen.forEach(report);
    const key = table.keyOf(read.entry);
    const keyFault = checkKey(table, { ...one, key: known ? table.keyOf(known) : null }, key, {
      before,
      puts,
      nameOf,
    });
    if (keyFault) return report(keyFault);
    if (one.key !== null && one.key !== key) moved.push(one.key);
    puts.set(key, { entry: read.entry, row });
  });
  const change: EntryChange = {
    table: edit.table,
    puts: [...puts.values()].map(({ entry }) => entry),
    drops: [...edit.drops, ...moved],
  };
  faults.push(
    ...ownerFaults(document, edit.table, puts),
    ...barcodeFaults(document, edit.table, puts),
    ...wholeFaults(document, change, table, puts),
  );
  const faulted = new Set(faults.map(({ row }) => row));
  const keys = [...puts].filter(([, { row }]) => !faulted.has(row)).map(([key]) => key);
  return {
    change,
    faults,
    added: keys.filter((key) => !before.has(key)),
    changed: keys.filter((key) => {
      const standing = before.get(key);
      return standing !== undefined && !sameRow(table, standing, puts.get(key)!.entry);
    }),
    rowOf: new Map([...puts].map(([key, { row }]) => [key, row])),
  };
}

/** Names that were typed, as the ids that they stand for. */
function withIdsOf(edit: StockroomEdit, names: CellNames): StockroomEdit {
  const ids = (cells: Cells) => withIds(edit.table, cells, names);
  return {
    ...edit,
    edits: edit.edits.map(({ cells, was, ...one }) => ({
      ...one,
      cells: ids(cells),
      ...(was ? { was: ids(was) } : {}),
    })),
  };
}

/** Rules come out of a file as JSON of any shape; all other cells were read by their kind. */
function shapeFaults({ name, columns }: Table<object>, entry: object): CellFault[] {
  if (!columns.some(({ filed }) => filed)) return [];
  const schema = (ENTRY_SCHEMAS as Partial<Record<TableName, Joi.Schema>>)[name];
  const shaped = shape<object>(schema as Joi.Schema<object>, entry);
  return shaped.ok
    ? []
    : shaped.faults.map(({ path, what, wanted }) => ({ field: String(path[0] ?? 'id'), what, wanted }));
}

/** The key that a new row would have; null where its key cells have faults of their own, which are told later. */
function keyOfNew(table: Table<object>, cells: Cells, currency: Currency): string | null {
  const keys = table.columns.filter(({ key }) => key);
  if (keys.length === 1) return cells[keys[0]!.field]?.trim() || null;
  // A row of several key cells is read whole: a day is the same day however it is written.
  const read = table.fromRow({ price: '0', ...cells }, null, { currency });
  return read.ok ? table.keyOf(read.entry) : null;
}

const gone = ({ one, columns }: Table<object>): CellFault => ({
  field: columns[0]!.field,
  what: `this ${one} is not there any more`,
  wanted: 'a look at the table as it stands now',
});

/** @param meant what it was by its meaning: "1,5" that somebody typed and "1.50" that stands are the same. */
function overtaken({ was, cells }: RowEdit, standing: Cells, meant: Cells | null): CellFault[] {
  return Object.entries(was ?? {}).flatMap(([field, text]) =>
    field in cells && ![text, meant ? (meant[field] ?? '') : text].includes(standing[field] ?? '')
      ? [{ field, what: `somebody changed this to "${standing[field] ?? ''}"`, wanted: 'another look at it' }]
      : [],
  );
}

/** Only a dated row may move to another key: what an item, a store or a set is called by stays. */
function checkKey(
  { columns, one }: Table<object>,
  edit: RowEdit,
  key: string,
  {
    before,
    puts,
    nameOf,
  }: {
    before: ReadonlyMap<string, object>;
    puts: ReadonlyMap<string, { row: number }>;
    nameOf: (row: number) => string;
  },
): CellFault | null {
  const field = columns[0]!.field;
  const twice = puts.get(key);
  if (twice)
    return { field, what: `${nameOf(twice.row)} is about the same ${one}`, wanted: 'one row for each' };
  if (edit.key === key) return null;
  if (edit.key !== null && !key.includes(KEY_MARK))
    return {
      field,
      what: `the id of ${withArticle(one)} stays as it is`,
      wanted: 'a new row, and the old one retired',
    };
  return before.has(key)
    ? {
        field,
        what: `there is ${withArticle(one)} of this key already`,
        wanted: 'a change of that row, or another key',
      }
    : null;
}

/** A row that hangs on something that is not there: the price of an unknown item, an own price of an unknown list. */
function ownerFaults(
  document: PlanDocument,
  table: TableName,
  puts: ReadonlyMap<string, { entry: object; row: number }>,
): RowFault[] {
  const field = table === 'prices' ? 'sku' : table === 'listPrices' ? 'list' : null;
  if (field === null) return [];
  const [known, what] =
    field === 'sku'
      ? [new Set(document.items.map(({ sku }) => sku)), 'item']
      : [new Set((document.priceLists ?? []).map(({ id }) => id)), 'price list'];
  return [...puts].flatMap(([key, { entry, row }]) => {
    const owner = (entry as Record<string, string>)[field]!;
    return known.has(owner)
      ? []
      : [
          {
            row,
            key,
            field,
            what: `no ${what} "${owner}"`,
            wanted: `the id of ${withArticle(what)} in this plan`,
          },
        ];
  });
}

/** A barcode that a till would read as two items. Plans that come in whole may have such; nobody shall add one here. */
function barcodeFaults(
  document: PlanDocument,
  table: TableName,
  puts: ReadonlyMap<string, { entry: object; row: number }>,
): RowFault[] {
  if (table !== 'items') return [];
  const owners = new Map<string, string>();
  for (const { sku, gtin } of document.items) if (gtin !== undefined && !puts.has(sku)) owners.set(gtin, sku);
  const faults: RowFault[] = [];
  for (const [key, { entry, row }] of puts) {
    const { gtin, sku } = entry as ItemEntry;
    if (gtin === undefined) continue;
    const owner = owners.get(gtin);
    if (owner !== undefined)
      faults.push({
        row,
        key,
        field: 'gtin',
        what: `${gtin} is the barcode of ${owner} already`,
        wanted: 'a barcode of its own',
      });
    owners.set(gtin, sku);
  }
  return faults;
}
