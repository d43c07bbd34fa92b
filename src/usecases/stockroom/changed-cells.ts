import type { BringInView, ChangedCell } from '../../contracts/index.ts';
import { type Cells, entriesOf, tableOf } from '../../contracts/table/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import type { CheckedEdit } from './change-stockroom.ts';
import { entryLabel, namedCells } from './named-entry.ts';
import { cellNames } from './names-of-ids.ts';

/** As many are shown one by one; the columns count all. */
const CELLS_TOLD = 300;

/** Which cells of rows that stand already a checked edit changes, those that it empties first. */
export function changedCells(
  document: PlanDocument,
  { change, changed, rowOf }: CheckedEdit,
  lineOf: (row: number) => number,
): Pick<BringInView, 'cells' | 'columns'> {
  const table = tableOf(change.table);
  const names = cellNames(document);
  const label = entryLabel(document);
  const standing = new Map(entriesOf(document, change.table).map((entry) => [table.keyOf(entry), entry]));
  const coming = new Map(change.puts.map((entry) => [table.keyOf(entry), entry]));
  const cells = changed.flatMap((key) => {
    const before = namedCells(table, standing.get(key)!, names);
    const after = namedCells(table, coming.get(key)!, names);
    const row = { line: lineOf(rowOf.get(key)!), label: label(key, after) };
    return table.columns
      .filter(({ field }) => (before[field] ?? '') !== (after[field] ?? ''))
      .map(({ field, title }) => ({ ...row, column: title, ...sides(before, after, field) }));
  });
  return { cells: cells.toSorted(emptiedFirst).slice(0, CELLS_TOLD), columns: countedByColumn(cells) };
}

const sides = (before: Cells, after: Cells, field: string) => ({
  before: before[field] ?? '',
  after: after[field] ?? '',
});

/** The order in which they are told. */
export const emptiedFirst = (a: ChangedCell, b: ChangedCell): number =>
  Number(a.after !== '') - Number(b.after !== '') || a.line - b.line;

export function countedByColumn(cells: readonly ChangedCell[]): BringInView['columns'] {
  const columns = new Map<string, { changed: number; emptied: number }>();
  for (const { column, after } of cells) {
    const { changed, emptied } = columns.get(column) ?? { changed: 0, emptied: 0 };
    columns.set(column, { changed: changed + 1, emptied: emptied + (after === '' ? 1 : 0) });
  }
  return [...columns].map(([column, counts]) => ({ column, ...counts }));
}
