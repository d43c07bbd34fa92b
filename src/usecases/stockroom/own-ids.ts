import { idOfName } from '../../contracts/index.ts';
import { entriesOf, tableOf } from '../../contracts/table/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import type { StockroomEdit } from './change-stockroom.ts';

/**
 * New rows of what has an id and a name get an id made of the name where none was typed. A second one of that name
 * gets a number behind it.
 */
export function withOwnIds(edit: StockroomEdit, document: PlanDocument): StockroomEdit {
  const table = tableOf(edit.table);
  if (!['id', 'name'].every((field) => table.columns.some((column) => column.field === field))) return edit;
  const taken = new Set(entriesOf(document, edit.table).map((entry) => table.keyOf(entry)));
  for (const { cells } of edit.edits) if (cells.id) taken.add(cells.id);
  return {
    ...edit,
    edits: edit.edits.map((one) => {
      const base = idOfName(one.cells.name ?? '');
      if (one.key !== null || one.cells.id?.trim() || base === '') return one;
      const id = free(base, taken);
      taken.add(id);
      return { ...one, cells: { ...one.cells, id } };
    }),
  };
}

function free(base: string, taken: ReadonlySet<string>): string {
  for (let number = 1; ; number++) {
    const id = number === 1 ? base : `${base}-${number}`;
    if (!taken.has(id)) return id;
  }
}
