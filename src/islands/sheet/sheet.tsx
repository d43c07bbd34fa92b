import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, type ReactNode, useEffect, useId, useRef, useState } from 'react';
import { CellEditor } from './cell-editor.tsx';
import { fromClipboard, toClipboard, withoutHead } from './clipboard.ts';
import { type Block, boundsOf, type Cell, isWithin, moved, onlyCell, spread } from './range.ts';
import { SheetHead } from './sheet-head.tsx';

export interface SheetColumn {
  readonly field: string;
  readonly title: string;
  /** At least, in rem. */
  readonly width: number;
  /** Takes its share of what is left. */
  readonly grows?: boolean;
  readonly figure?: boolean;
  readonly editable: boolean;
  readonly sortable?: boolean;
}

export interface SheetRow {
  readonly key: string;
  readonly cells: Readonly<Record<string, string>>;
}

/** A new text for one cell. */
export interface CellEdit {
  readonly row: number;
  readonly field: string;
  readonly text: string;
}

export interface SheetProps {
  /** What the sheet shows, for a screen reader. */
  readonly name: string;
  readonly columns: readonly SheetColumn[];
  readonly count: number;
  /** Null: not here yet. */
  readonly rowAt: (index: number) => SheetRow | null;
  /** The rows that are drawn; called whenever they change. */
  readonly onShow?: (first: number, last: number) => void;
  readonly onEdit: (edits: readonly CellEdit[]) => void;
  readonly onUndo?: () => void;
  readonly onRedo?: () => void;
  /** Takes the rows of the block out; on cells that are typed into, Delete empties them instead. */
  readonly onDeleteRows?: () => void;
  readonly sort?: { readonly field: string; readonly descending: boolean } | null;
  readonly onSort?: (field: string) => void;
  /** What is wrong with a cell, or that it is on its way. */
  readonly noteAt?: (
    row: SheetRow,
    field: string,
  ) => { readonly words: string; readonly wrong: boolean } | null;
  /** Draws a cell otherwise than as its text. */
  readonly drawCell?: (row: SheetRow, field: string) => ReactNode | undefined;
  readonly onBlock?: (rows: { first: number; last: number }) => void;
  /** Takes up no more than this of the window's height. */
  readonly height?: string;
}

const ROW_HEIGHT = 33;
const BEYOND = 6;

/** A table of cells that is moved over with the keys, typed into, copied from and pasted into; only what is seen is drawn. */
export function Sheet(props: SheetProps) {
  const {
    name,
    columns,
    count,
    rowAt,
    onShow,
    onEdit,
    onBlock,
    height = 'max(22rem, 100vh - 19rem)',
  } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const id = useId();
  const [block, setBlock] = useState<Block>(onlyCell({ row: 0, column: 0 }));
  const [typed, setTyped] = useState<string | null>(null);
  const rows = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: BEYOND,
  });
  const drawn = rows.getVirtualItems();
  const first = drawn[0]?.index ?? 0;
  const last = drawn.at(-1)?.index ?? 0;
  useEffect(() => onShow?.(first, last), [first, last, onShow]);
  const bounds = boundsOf(block);
  useEffect(
    () => onBlock?.({ first: bounds.top, last: bounds.bottom }),
    [bounds.top, bounds.bottom, onBlock],
  );

  const textAt = ({ row, column }: Cell) => rowAt(row)?.cells[columns[column]!.field] ?? '';
  const size = { rows: count, columns: columns.length };
  const go = (next: Block) => {
    setBlock(next);
    rows.scrollToIndex(next.active.row);
    const head = scroller.current?.querySelector(`[data-head="${next.active.column}"]`);
    if (next.active.column > 0) head?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  };
  const change = (cells: readonly { cell: Cell; text: string }[]) => {
    const edits = cells
      .filter(({ cell, text }) => columns[cell.column]!.editable && rowAt(cell.row) && textAt(cell) !== text)
      .map(({ cell, text }) => ({ row: cell.row, field: columns[cell.column]!.field, text }));
    if (edits.length > 0) onEdit(edits);
  };
  const blockCells = (): Cell[] =>
    Array.from({ length: bounds.bottom - bounds.top + 1 }, (_, r) =>
      Array.from({ length: bounds.right - bounds.left + 1 }, (_, c) => ({
        row: bounds.top + r,
        column: bounds.left + c,
      })),
    ).flat();
  const begin = (text: string) => {
    if (columns[block.active.column]!.editable && rowAt(block.active.row)) setTyped(text);
  };
  const leave = (text: string | null, key: 'ArrowDown' | 'ArrowRight' | 'ArrowLeft' | null) => {
    setTyped(null);
    scroller.current?.focus();
    if (text !== null) change([{ cell: block.active, text }]);
    const next = key && moved(onlyCell(block.active), key, { shift: false, control: false }, size, 1);
    if (next) go(next);
  };

  const onKeyDown = (event: KeyboardEvent) => {
    if (typed !== null || event.target !== scroller.current) return;
    const control = event.ctrlKey || event.metaKey;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 0) / ROW_HEIGHT) - 2);
    const next = moved(block, event.key, { shift: event.shiftKey, control }, size, page);
    const work = next ? () => go(next) : keyWork(event, control);
    if (!work) return;
    event.preventDefault();
    work();
  };
  const erase = (): (() => void) => {
    const typedInto = columns.slice(bounds.left, bounds.right + 1).some(({ editable }) => editable);
    if (!typedInto && props.onDeleteRows) return props.onDeleteRows;
    return () => change(blockCells().map((cell) => ({ cell, text: '' })));
  };
  const keyWork = ({ key, altKey, shiftKey }: KeyboardEvent, control: boolean): (() => void) | null => {
    if (key === 'Enter' || key === 'F2') return () => begin(textAt(block.active));
    if (key === 'Delete' || key === 'Backspace') return erase();
    const redoes = control && (key === 'y' || (shiftKey && key.toLowerCase() === 'z'));
    if (redoes && props.onRedo) return props.onRedo;
    if (control && key === 'z' && props.onUndo) return props.onUndo;
    if (control && key === 'd')
      return () =>
        change(
          blockCells().map((cell) => ({ cell, text: textAt({ row: bounds.top, column: cell.column }) })),
        );
    if (control && key === 'a')
      return () =>
        setBlock({ anchor: { row: 0, column: 0 }, active: { row: count - 1, column: columns.length - 1 } });
    return key.length === 1 && !control && !altKey ? () => begin(key) : null;
  };

  const onCopy = (event: React.ClipboardEvent) => {
    if (typed !== null) return;
    const lines = Array.from({ length: bounds.bottom - bounds.top + 1 }, (_, r) =>
      columns
        .slice(bounds.left, bounds.right + 1)
        .map((_, c) => textAt({ row: bounds.top + r, column: bounds.left + c })),
    );
    event.clipboardData.setData('text/plain', toClipboard(lines));
    event.preventDefault();
  };
  const onCut = (event: React.ClipboardEvent) => {
    if (typed !== null) return;
    onCopy(event);
    change(blockCells().map((cell) => ({ cell, text: '' })));
  };
  const onPaste = (event: React.ClipboardEvent) => {
    if (typed !== null) return;
    event.preventDefault();
    const lines = fromClipboard(event.clipboardData.getData('text/plain'));
    const pasted = spread(withoutHead(lines, columns.slice(bounds.left)), block, size);
    change(pasted);
    const corner = pasted.at(-1)?.cell;
    if (corner) setBlock({ anchor: { row: bounds.top, column: bounds.left }, active: corner });
  };

  const template = columns
    .map(({ width, grows }) => (grows ? `minmax(${width}rem, 1fr)` : `${width}rem`))
    .join(' ');
  // Every row is a grid of its own: only one and the same width makes their columns stand under each other.
  const width = `max(100%, ${columns.reduce((sum, column) => sum + column.width, 0)}rem)`;
  const cellId = ({ row, column }: Cell) => `${id}-${row}-${column}`;
  return (
    <div
      ref={scroller}
      role="grid"
      tabIndex={0}
      aria-label={name}
      aria-rowcount={count + 1}
      aria-colcount={columns.length}
      aria-multiselectable="true"
      aria-activedescendant={count > 0 ? cellId(block.active) : undefined}
      className="sheet"
      style={{ height: `min(${height}, ${(count + 1) * ROW_HEIGHT + 18}px)` }}
      onKeyDown={onKeyDown}
      onCopy={onCopy}
      onCut={onCut}
      onPaste={onPaste}
    >
      <SheetHead {...props} template={template} width={width} />
      <div role="rowgroup" className="relative" style={{ height: rows.getTotalSize() }}>
        {drawn.map(({ index, start }) => {
          const row = rowAt(index);
          return (
            <div
              key={index}
              role="row"
              aria-rowindex={index + 2}
              className="sheet-row"
              style={{ width, gridTemplateColumns: template, transform: `translateY(${start}px)` }}
            >
              {columns.map((column, at) => {
                const cell = { row: index, column: at };
                const active = block.active.row === index && block.active.column === at;
                const note = row && props.noteAt?.(row, column.field);
                return (
                  <div
                    key={column.field}
                    id={cellId(cell)}
                    role="gridcell"
                    aria-colindex={at + 1}
                    aria-selected={isWithin(cell, bounds)}
                    aria-readonly={!column.editable}
                    aria-invalid={note?.wrong || undefined}
                    data-active={active || undefined}
                    title={note?.words}
                    className={`sheet-cell ${column.figure ? 'justify-end tabular-nums' : ''} ${at === 0 ? 'sheet-first' : ''} ${note ? (note.wrong ? 'sheet-wrong' : 'sheet-waiting') : ''}`}
                    onMouseDown={(event) => {
                      if (event.button !== 0) return;
                      if (typed !== null) return;
                      setBlock(event.shiftKey ? { ...block, active: cell } : onlyCell(cell));
                    }}
                    onMouseEnter={(event) => {
                      if (event.buttons === 1 && typed === null) setBlock({ ...block, active: cell });
                    }}
                    onDoubleClick={() => begin(textAt(cell))}
                  >
                    {active && typed !== null ? (
                      <CellEditor
                        begin={typed}
                        figure={column.figure ?? false}
                        name={column.title}
                        onLeave={leave}
                      />
                    ) : (
                      <span className="truncate">
                        {row ? (props.drawCell?.(row, column.field) ?? row.cells[column.field]) : '…'}
                      </span>
                    )}
                  </div>
                );
              })}
            </div>
          );
        })}
      </div>
    </div>
  );
}
