import { useVirtualizer } from '@tanstack/react-virtual';
import { type ClipboardEvent, type KeyboardEvent, useEffect, useId, useReducer, useRef } from 'react';
import { fromClipboard, nearClipboard, toClipboard, withoutHead } from './clipboard.ts';
import { type KeyIntent, keyIntent, SHEET_DESK, sheetAfter } from './desk.ts';
import { type Block, boundsOf, type Cell, cellsIn, moved, onlyCell, spread } from './range.ts';
import type { SheetProps } from './sheet-props.ts';
import { useColumns } from './use-columns.ts';

export const ROW_HEIGHT = 33;
const BEYOND = 6;

/** How the active cell was left: by Escape without a text, by a key that goes on to the next. */
export type OnLeave = (text: string | null, key: 'ArrowDown' | 'ArrowRight' | 'ArrowLeft' | null) => void;

/** The desk of a sheet: what is chosen and typed, what keys and the clipboard do, the rows that are drawn. */
export function useSheet(props: SheetProps) {
  const { columns, count, rowAt, onShow, onEdit, onBlock, onActive, onOpen } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const id = useId();
  const [{ block, typed }, tell] = useReducer(sheetAfter, SHEET_DESK);
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
  const across = useColumns(scroller, props);
  const bounds = boundsOf(block);
  const { top, bottom } = bounds;
  useEffect(() => onBlock?.({ first: top, last: bottom }), [top, bottom, onBlock]);
  const { row: activeRow, column: activeColumn } = block.active;
  const activeField = columns[activeColumn]?.field;
  useEffect(() => {
    if (activeField !== undefined) onActive?.({ row: activeRow, field: activeField });
  }, [activeRow, activeField, onActive]);

  const size = { rows: count, columns: columns.length };
  const textAt = ({ row, column }: Cell) => rowAt(row)?.cells[columns[column]!.field] ?? '';
  const go = (next: Block) => {
    tell({ type: 'chosen', block: next });
    rows.scrollToIndex(next.active.row);
    across.show(next.active.column);
  };
  const change = (cells: readonly { cell: Cell; text: string }[]) => {
    const edits = cells
      .filter(({ cell, text }) => columns[cell.column]!.editable && rowAt(cell.row) && textAt(cell) !== text)
      .map(({ cell, text }) => ({ row: cell.row, field: columns[cell.column]!.field, text }));
    if (edits.length > 0) onEdit(edits);
  };
  const changeBlock = (textOf: (cell: Cell) => string) =>
    change(cellsIn(bounds).map((cell) => ({ cell, text: textOf(cell) })));
  const begin = (text: string) => {
    const { field, editable } = columns[block.active.column]!;
    if (!rowAt(block.active.row)) return;
    if (editable) tell({ type: 'typing-began', text });
    else onOpen?.({ row: block.active.row, field });
  };
  const erase = () => {
    const typedInto = columns.slice(bounds.left, bounds.right + 1).some(({ editable }) => editable);
    if (!typedInto && props.onDeleteRows) props.onDeleteRows();
    else changeBlock(() => '');
  };
  /** @returns false where nobody has asked to hear of it. */
  const follow = (intent: KeyIntent): boolean => {
    if (intent.type === 'undo' || intent.type === 'redo') {
      const work = intent.type === 'undo' ? props.onUndo : props.onRedo;
      work?.();
      return work !== undefined;
    }
    if (intent.type === 'go') go(intent.block);
    else if (intent.type === 'choose-all') tell({ type: 'chosen', block: intent.block });
    else if (intent.type === 'type' && (intent.text === null || columns[block.active.column]!.editable))
      begin(intent.text ?? textAt(block.active));
    else if (intent.type === 'type') return false;
    else if (intent.type === 'erase') erase();
    else changeBlock(({ column }) => textAt({ row: top, column }));
    return true;
  };

  return {
    scroller,
    rows,
    drawn,
    across,
    block,
    bounds,
    typed,
    tell,
    begin,
    textAt,
    cellId: ({ row, column }: Cell) => `${id}-${row}-${column}`,
    onLeave: ((text, key) => {
      tell({ type: 'typing-ended' });
      scroller.current?.focus();
      if (text !== null) change([{ cell: block.active, text }]);
      const next = key && moved(onlyCell(block.active), key, { shift: false, control: false }, size, 1);
      if (next) go(next);
    }) satisfies OnLeave,
    onKeyDown(event: KeyboardEvent) {
      if (typed !== null || event.target !== scroller.current) return;
      const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 0) / ROW_HEIGHT) - 2);
      const { key, shiftKey: shift, altKey: alt } = event;
      const pressed = { key, shift, alt, control: event.ctrlKey || event.metaKey };
      const intent = keyIntent(block, pressed, size, page);
      if (intent && follow(intent)) event.preventDefault();
    },
    onCopy(event: ClipboardEvent) {
      if (typed === null) copyTo(event);
    },
    onCut(event: ClipboardEvent) {
      if (typed !== null) return;
      copyTo(event);
      changeBlock(() => '');
    },
    onFocus: nearClipboard,
    onPaste(event: ClipboardEvent) {
      if (typed !== null) return;
      event.preventDefault();
      const text = event.clipboardData.getData('text/plain');
      const lines = fromClipboard(text);
      if (lines) put(lines);
      else nearClipboard().then(() => put(fromClipboard(text) ?? []));
    },
  };

  function put(lines: readonly (readonly string[])[]): void {
    const pasted = spread(withoutHead(lines, columns.slice(bounds.left)), block, size);
    change(pasted);
    const active = pasted.at(-1)?.cell;
    if (active) tell({ type: 'chosen', block: { anchor: { row: top, column: bounds.left }, active } });
  }

  function copyTo(event: ClipboardEvent): void {
    const lines = Array.from({ length: bottom - top + 1 }, (_, r) =>
      columns
        .slice(bounds.left, bounds.right + 1)
        .map((_, c) => textAt({ row: top + r, column: bounds.left + c })),
    );
    event.clipboardData.setData('text/plain', toClipboard(lines));
    event.preventDefault();
  }
}

export type SheetAt = ReturnType<typeof useSheet>;
