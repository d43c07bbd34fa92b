import { readCell, saidCell } from '../../ui/writing/index.ts';
import { Sheet, type SheetColumn, type SheetRow } from '../sheet/index.ts';
import { pageOf } from './columns.ts';
import type { TableAt } from './use-table-desk.ts';

/** The rows of a table, to be typed into; or that there are none. */
export function TableRows({
  at,
  columns,
  edits,
}: {
  at: TableAt;
  columns: readonly SheetColumn[];
  edits: boolean;
}) {
  const { desk, tell, table, title, one, rows, changes } = at;
  if (rows.total === 0)
    return (
      <p className="quiet py-6">
        {desk.text || desk.rule ? `No ${one} matches that.` : `There is no ${one} yet.`}{' '}
        {edits && !desk.adding ? (
          <button type="button" className="link" onClick={() => tell({ type: 'adding', on: true })}>
            Add one
          </button>
        ) : null}
      </p>
    );
  return (
    <Sheet
      name={title}
      columns={columns}
      count={rows.total ?? 0}
      rowAt={at.rowAt}
      onShow={rows.onShow}
      onBlock={at.onBlock}
      onEdit={(cells) =>
        changes.edit(
          cells.map((cell) => ({ ...cell, text: readCell(table, cell.field, cell.text) })),
          rows.rowAt,
        )
      }
      onUndo={changes.undo}
      sort={desk.sort}
      onSort={(field) => tell({ type: 'sorted', field })}
      noteAt={(row, field) => {
        const cell = changes.pending.get(row.key)?.[field];
        if (!cell) return null;
        return cell.fault === null
          ? { words: 'being saved', wrong: false }
          : { words: cell.fault, wrong: true };
      }}
      drawCell={(row, field) => <CellWords at={at} row={row} field={field} />}
    />
  );
}

/** A cell as its reader writes; the name of a row leads to its page. */
function CellWords({ at: { table, links }, row, field }: { at: TableAt; row: SheetRow; field: string }) {
  const page = pageOf(table, row.cells, links);
  if (page?.field !== field) return saidCell(table, field, row.cells[field] ?? '');
  return (
    <a
      className="underline decoration-base-content/30 underline-offset-3 hover:decoration-current"
      href={page.href}
      tabIndex={-1}
    >
      {row.cells[field]}
    </a>
  );
}
