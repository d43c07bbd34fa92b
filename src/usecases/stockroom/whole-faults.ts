import {
  cellOfFault,
  type EntryChange,
  KEY_MARK,
  type Table,
  withEntries,
} from '../../contracts/table/index.ts';
import { checkPlan, type Fault, type PlanDocument } from '../../core/plan/index.ts';
import type { RowFault } from './change-stockroom.ts';

/** What the whole plan has against a change: names that are not there, circles, and who still names what would go. */
export function wholeFaults(
  document: PlanDocument,
  change: EntryChange,
  table: Table<object>,
  puts: ReadonlyMap<string, { row: number }>,
): RowFault[] {
  const next = withEntries(document, change, table.keyOf);
  const ruled = new Map((document.itemSets ?? []).map(({ id, rule }) => [id, 'items' in rule]));
  const notLists =
    change.table === 'setItems'
      ? [...puts].filter(([key]) => ruled.get(key.split(KEY_MARK)[0]!) === false)
      : [];
  return [
    ...notLists.map(([key, { row }]) => ({
      row,
      key,
      field: 'set',
      what: 'this set is chosen by a rule',
      wanted: 'a set by list, or the set frozen first',
    })),
    ...checkPlan(next).map((fault): RowFault => {
      const cell = cellOfFault(fault, next);
      const at = cell && puts.get(cell.key);
      if (cell && at && cell.table === change.table)
        return { row: at.row, key: cell.key, field: cell.field, what: fault.what, wanted: fault.wanted };
      const setItem = change.table === 'setItems' ? rowOfSetItem(fault, next, puts) : undefined;
      if (setItem !== undefined)
        return { row: setItem, key: null, field: 'sku', what: fault.what, wanted: fault.wanted };
      return {
        row: null,
        key: change.drops[0] ?? null,
        field: table.columns[0]!.field,
        what: `${ownerOf(fault, next)} still needs it: ${fault.what}`,
        wanted: 'that changed first',
      };
    }),
  ];
}

function rowOfSetItem(
  { path }: Fault,
  document: PlanDocument,
  puts: ReadonlyMap<string, { row: number }>,
): number | undefined {
  const [part, index, , , at] = path;
  if (part !== 'itemSets') return undefined;
  const set = document.itemSets![index as number]!;
  const sku = 'items' in set.rule ? set.rule.items[at as number] : undefined;
  return puts.get([set.id, sku].join(KEY_MARK))?.row;
}

const OWNERS: Readonly<Record<string, string>> = {
  promotions: 'the promotion',
  itemSets: 'the set',
  storeGroups: 'the store group',
  ranges: 'the range',
  items: 'the item',
  nodes: 'the group of goods',
  stores: 'the store',
  terminals: 'the terminal',
  priceLists: 'the price list',
  shopperGroups: 'the kind of shopper',
  shoppers: 'the shopper',
};

function ownerOf({ path: [part, index] }: Fault, document: PlanDocument): string {
  const list = (
    document as unknown as Record<string, readonly { id?: string; name?: string; sku?: string }[]>
  )[String(part)];
  const entry = list?.[index as number];
  return `${OWNERS[String(part)] ?? part} “${entry?.name ?? entry?.sku ?? entry?.id ?? ''}”`;
}
