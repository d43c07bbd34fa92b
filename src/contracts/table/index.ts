import type { Table, TableName } from './definition.ts';
import { itemsTable, nodesTable, pricesTable } from './goods-tables.ts';
import { storesTable, terminalsTable, zonesTable } from './place-tables.ts';
import { listPricesTable, priceListsTable } from './price-list-tables.ts';
import { itemSetsTable, rangesTable, setItemsTable, storeGroupsTable } from './set-tables.ts';
import { shopperGroupsTable, shoppersTable } from './shopper-tables.ts';

export { joined } from './cell-reader.ts';
export * from './decimal.ts';
export * from './definition.ts';
export * from './entries.ts';
export type { ItemEntry, PriceEntry } from './goods-tables.ts';
export * from './join-changes.ts';
export type { ListPriceEntry } from './price-list-tables.ts';
export type { SetItemEntry } from './set-tables.ts';

const ALL: Readonly<Record<TableName, unknown>> = {
  items: itemsTable,
  prices: pricesTable,
  nodes: nodesTable,
  itemSets: itemSetsTable,
  setItems: setItemsTable,
  priceLists: priceListsTable,
  listPrices: listPricesTable,
  stores: storesTable,
  zones: zonesTable,
  storeGroups: storeGroupsTable,
  ranges: rangesTable,
  terminals: terminalsTable,
  shopperGroups: shopperGroupsTable,
  shoppers: shoppersTable,
};

/** The table of a name. What its entries are, the caller knows by the name. */
export const tableOf = (name: TableName): Table<object> => ALL[name] as Table<object>;
