import { TABLES, type TableName, tableOf } from '../../contracts/table/index.ts';

/** The tables of the stockroom in the order of its shelves: goods, prices, places, people. */
const GROUPS: readonly { readonly of: string; readonly tables: readonly TableName[] }[] = [
  { of: 'Goods', tables: ['items', 'nodes', 'itemSets', 'setItems'] },
  { of: 'Prices', tables: ['prices', 'priceLists', 'listPrices'] },
  { of: 'Places', tables: ['stores', 'storeGroups', 'zones', 'ranges', 'terminals'] },
  { of: 'Shoppers', tables: ['shopperGroups', 'shoppers'] },
];

export const SHELVES = GROUPS.map(({ of, tables }) => ({
  of,
  tables: tables.map((name) => ({ name, title: tableOf(name).title, path: `/stockroom/${name}` })),
}));

export const isTable = (name: string | undefined): name is TableName =>
  TABLES.some((table) => table === name);
