import { CellEditor } from './cell-editor.tsx';
import { type Cell, isWithin, onlyCell } from './range.ts';
import type { SheetColumn, SheetProps, SheetRow } from './sheet-props.ts';
import type { SheetAt } from './use-sheet.ts';

/** One cell: its text, or the field in which it is typed. */
export function SheetCell({
  at,
  cell,
  column,
  row,
  noteAt,
  drawCell,
}: {
  at: SheetAt;
  cell: Cell;
  column: SheetColumn;
  /** Null: not here yet. */
  row: SheetRow | null;
} & Pick<SheetProps, 'noteAt' | 'drawCell'>) {
  const { block, bounds, typed, tell, begin, textAt } = at;
  const active = block.active.row === cell.row && block.active.column === cell.column;
  const note = row && noteAt?.(row, column.field);
  const look = [
    column.figure ? 'justify-end tabular-nums' : '',
    cell.column === 0 ? 'sheet-first' : '',
    note ? (note.wrong ? 'sheet-wrong' : 'sheet-waiting') : '',
  ];
  return (
    <div
      id={at.cellId(cell)}
      role="gridcell"
      aria-colindex={cell.column + 1}
      aria-selected={isWithin(cell, bounds)}
      aria-readonly={!column.editable}
      aria-invalid={note?.wrong || undefined}
      data-active={active || undefined}
      style={{ gridColumnStart: cell.column + 1 }}
      title={note?.words}
      className={`sheet-cell ${look.join(' ')}`}
      onMouseDown={(event) => {
        if (event.button !== 0 || typed !== null) return;
        tell(event.shiftKey ? { type: 'stretched', to: cell } : { type: 'chosen', block: onlyCell(cell) });
      }}
      onMouseEnter={(event) => {
        if (event.buttons === 1 && typed === null) tell({ type: 'stretched', to: cell });
      }}
      onDoubleClick={() => begin(textAt(cell))}
    >
      {active && typed !== null ? (
        <CellEditor begin={typed} figure={column.figure ?? false} name={column.title} onLeave={at.onLeave} />
      ) : (
        <span className="truncate">
          {row ? (drawCell?.(row, column.field, cell.row) ?? row.cells[column.field]) : '…'}
        </span>
      )}
    </div>
  );
}
