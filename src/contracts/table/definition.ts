import type { Currency } from '../../core/money/index.ts';

/** The parts of a plan that are kept as tables. Each row is looked at, edited, brought in and taken out as texts. */
export const TABLES = [
  'items',
  'prices',
  'nodes',
  'itemSets',
  'setItems',
  'priceLists',
  'listPrices',
  'stores',
  'zones',
  'storeGroups',
  'ranges',
  'terminals',
  'shopperGroups',
  'shoppers',
] as const;
export type TableName = (typeof TABLES)[number];

export type Cells = Readonly<Record<string, string>>;

export interface CellFault {
  readonly field: string;
  readonly what: string;
  readonly wanted: string;
}

/** What a cell holds, so that a sheet can align it and a file's column be recognised. */
export type CellKind = 'text' | 'amount' | 'date' | 'list' | 'percent';

export interface Column {
  readonly field: string;
  readonly title: string;
  readonly kind: CellKind;
  /** Part of what tells a row from the others. */
  readonly key?: true;
  readonly required?: true;
  /** Other heads under which files bring it, in lower case. */
  readonly also?: readonly string[];
  /** What may stand here, for whoever fills in a file. */
  readonly hint?: string;
  /** Only shown: it is changed on a page of its own. */
  readonly shown?: true;
  /** Stands in files alone, as JSON of the plan document; on the screen it has a page of its own. */
  readonly filed?: true;
}

/** The column by which rows name an item. */
export const ITEM_NUMBER: Column = {
  field: 'sku',
  title: 'Item number',
  kind: 'text',
  key: true,
  required: true,
  also: ['sku', 'article', 'item'],
};

/** The columns of whatever has an id and a name. */
export const NAMED: readonly Column[] = [
  { field: 'id', title: 'Id', kind: 'text', key: true, required: true },
  { field: 'name', title: 'Name', kind: 'text', required: true },
];

export interface ReadContext {
  readonly currency: Currency;
}

export type ReadRow<Entry> =
  | { readonly ok: true; readonly entry: Entry }
  | { readonly ok: false; readonly faults: readonly CellFault[] };

/** One table: its columns, and the way between an entry of the plan document and a row of texts. */
export interface Table<Entry> {
  readonly name: TableName;
  /** In the plural, for a heading. */
  readonly title: string;
  readonly one: string;
  readonly columns: readonly Column[];
  keyOf(entry: Entry): string;
  toRow(entry: Entry): Cells;
  /** The cells of the columns that stand in files alone. */
  filedCells?(entry: Entry): Cells;
  /** @param before the entry that the row stands for so far; null: a new one. What the row does not say stays. */
  fromRow(row: Cells, before: Entry | null, context: ReadContext): ReadRow<Entry>;
}

/** Between the parts of a key; stands in no id that is typed. */
export const KEY_MARK = '\u001f';
