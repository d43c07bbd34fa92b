import type { ItemRule, ItemSetDocument, StoreRule } from '../../core/plan/index.ts';
import { cellReader, said } from './cell-reader.ts';
import { type Column, ITEM_NUMBER, KEY_MARK, NAMED, type Table, type TableName } from './definition.ts';

interface Ruled {
  readonly id: string;
  readonly name: string;
}

/** Things with an id, a name, and rules that are chosen on a page of their own. A new one begins with nothing chosen. */
function ruledTable<Entry extends Ruled>(
  name: TableName,
  title: string,
  one: string,
  begin: Omit<Entry, 'id' | 'name'>,
  filed: readonly Column[],
  shown: readonly Column[],
): Table<Entry> {
  return {
    name,
    title,
    one,
    columns: [...NAMED, ...filed, ...shown],
    keyOf: ({ id }) => id,
    toRow: (entry) => ({ id: entry.id, name: entry.name }),
    filedCells: (entry) =>
      Object.fromEntries(
        filed.map(({ field }) => [field, jsonOf((entry as Record<string, unknown>)[field])]),
      ),
    fromRow(row, before, context) {
      const cells = cellReader(row, context);
      const named = { id: cells.required('id'), name: cells.required('name') };
      const rules = Object.fromEntries(filed.map(({ field }) => [field, cells.json(field)]));
      return cells.done({ ...(before ?? begin), ...named, ...said(rules) } as unknown as Entry);
    },
  };
}

const jsonOf = (value: unknown): string => (value === undefined ? '' : JSON.stringify(value));

const rule = (field: string, title: string): Column => ({ field, title, kind: 'text', filed: true });

const chosen = (field: string, title: string): Column => ({ field, title, kind: 'text', shown: true });

export const itemSetsTable = ruledTable<ItemSetDocument>(
  'itemSets',
  'Sets',
  'set',
  { rule: { items: [] } },
  [rule('rule', 'Rule'), rule('frozen', 'Frozen')],
  [chosen('holds', 'Holds'), chosen('state', 'State')],
);

export const storeGroupsTable = ruledTable<{ id: string; name: string; rule: StoreRule }>(
  'storeGroups',
  'Store groups',
  'store group',
  { rule: { stores: [] } },
  [rule('rule', 'Rule')],
  [chosen('holds', 'Holds')],
);

export const rangesTable = ruledTable<{ id: string; name: string; stores: StoreRule; items: ItemRule }>(
  'ranges',
  'Ranges',
  'range',
  { stores: { stores: [] }, items: { items: [] } },
  [rule('stores', 'Stores'), rule('items', 'Items')],
  [chosen('places', 'In'), chosen('holds', 'Carries')],
);

/** One item of a set that is a list. */
export interface SetItemEntry {
  readonly set: string;
  readonly name?: string;
  readonly sku: string;
}

export const setItemsTable: Table<SetItemEntry> = {
  name: 'setItems',
  title: 'Sets by list',
  one: 'item of a set',
  columns: [
    { field: 'set', title: 'Set', kind: 'text', key: true, required: true, also: ['set id'] },
    { field: 'name', title: 'Name of the set', kind: 'text', also: ['set name'] },
    ITEM_NUMBER,
  ],
  keyOf: ({ set, sku }) => [set, sku].join(KEY_MARK),
  toRow: ({ set, name, sku }) => ({ set, name: name ?? '', sku }),
  fromRow(row, _, context) {
    const cells = cellReader(row, context);
    return cells.done(
      said({ set: cells.required('set'), name: cells.text('name'), sku: cells.required('sku') }),
    );
  },
};
