import { idInAddress } from '../../contracts/index.ts';
import { type Column, type TableName, tableOf } from '../../contracts/table/index.ts';
import type { SheetColumn } from '../sheet/index.ts';

/** In rem. */
const WIDTHS: Readonly<Record<string, number>> = {
  sku: 7.5,
  id: 9,
  name: 16,
  itemName: 16,
  holds: 22,
  places: 16,
  attributes: 15,
  node: 10,
  gtin: 9,
  unit: 5,
  weight: 6.5,
  parent: 7.5,
  percent: 15,
  rounding: 14,
  timeZone: 10,
  place: 15,
};
const WIDTH = 8.5;
const GROWING: readonly string[] = ['name', 'itemName', 'holds', 'places', 'attributes'];
const FIGURES: readonly string[] = ['amount', 'percent'];

/** Columns that are worked out and stand beside the table's own. */
const BESIDE: Partial<Record<TableName, Readonly<Record<string, SheetColumn>>>> = {
  items: { name: shown('price', 'Price here', true) },
  prices: { sku: shown('itemName', 'Item') },
  listPrices: { sku: shown('itemName', 'Item') },
  setItems: { sku: shown('itemName', 'Item') },
};

function shown(field: string, title: string, figure = false): SheetColumn {
  return {
    field,
    title,
    width: WIDTHS[field] ?? WIDTH,
    grows: GROWING.includes(field),
    figure,
    editable: false,
    sortable: true,
  };
}

/** The columns of a table as a sheet shows them; a column that would be empty for who does not see costs is left out. */
export function sheetColumns(
  table: TableName,
  { edits, carried, costs }: { edits: boolean; carried: boolean; costs: boolean },
): SheetColumn[] {
  const through = carried ? [shown('through', 'Through the range')] : [];
  const columns = tableOf(table).columns.flatMap((column) => {
    if (column.filed || (column.field === 'cost' && !costs)) return [];
    const beside = BESIDE[table]?.[column.field];
    const own = {
      field: column.field,
      title: column.title,
      width: WIDTHS[column.field] ?? WIDTH,
      grows: GROWING.includes(column.field),
      figure: FIGURES.includes(column.kind),
      editable: edits && isEditable(table, column),
      sortable: true,
    };
    return beside ? [own, beside, ...through] : [own];
  });
  return carried ? columns.filter(({ field }) => CARRIED.includes(field)) : columns;
}

const CARRIED: readonly string[] = ['sku', 'name', 'price', 'through', 'node', 'brand', 'gtin'];

/** What a thing is called by stays; the place and the day of a price may be set right. */
const isEditable = (table: TableName, { key, shown: worked, field }: Column): boolean =>
  !worked && (!key || (table === 'prices' && field !== 'sku'));

/** Where a row has a page of its own. */
const PAGES: Partial<Record<TableName, string>> = {
  items: '/stockroom/item/',
  prices: '/stockroom/item/',
  listPrices: '/stockroom/item/',
  setItems: '/stockroom/item/',
  itemSets: '/stockroom/set/',
  storeGroups: '/stockroom/group/',
  ranges: '/stockroom/range/',
  stores: '/stockroom/store/',
};

/** The page behind a row, and the cell that leads there. */
export function pageOf(
  table: TableName,
  cells: Readonly<Record<string, string>>,
  query: string,
): { href: string; field: string } | null {
  const page = PAGES[table];
  if (!page) return null;
  const field = 'sku' in cells ? 'sku' : 'id';
  return { href: `${page}${idInAddress(cells[field] ?? '')}${query}`, field };
}
