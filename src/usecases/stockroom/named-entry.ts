import { type Cells, KEY_MARK, type Table } from '../../contracts/table/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import { type CellNames, withNames } from './names-of-ids.ts';

/** The cells of an entry with names in the place of ids, and those that stand in files alone. */
export const namedCells = (table: Table<object>, entry: object, names: CellNames): Cells => ({
  ...withNames(table.name, table.toRow(entry), names),
  ...table.filedCells?.(entry),
});

/** Says which entry is meant: its name, or that of the item it is about, and its id. */
export function entryLabel(document: PlanDocument): (key: string, cells: Cells | null) => string {
  const items = new Map(document.items.map(({ sku, name }) => [sku, name]));
  return (key, cells) => {
    const parts = key.split(KEY_MARK);
    const name = cells?.name ?? parts.map((part) => items.get(part)).find(Boolean);
    const id = parts.filter(Boolean).join(', ');
    return name && name !== id ? `${name} (${id})` : id;
  };
}
