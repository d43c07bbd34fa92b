/** A place in a sheet, counted from 0. */
export interface Cell {
  readonly row: number;
  readonly column: number;
}

/** A block of cells: from where it was begun to where it was stretched. */
export interface Block {
  readonly anchor: Cell;
  readonly active: Cell;
}

export interface Size {
  readonly rows: number;
  readonly columns: number;
}

export interface Bounds {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;
}

export const boundsOf = ({ anchor, active }: Block): Bounds => ({
  top: Math.min(anchor.row, active.row),
  bottom: Math.max(anchor.row, active.row),
  left: Math.min(anchor.column, active.column),
  right: Math.max(anchor.column, active.column),
});

export const isWithin = ({ row, column }: Cell, { top, bottom, left, right }: Bounds): boolean =>
  top <= row && row <= bottom && left <= column && column <= right;

export const onlyCell = (cell: Cell): Block => ({ anchor: cell, active: cell });

const clamp = (value: number, last: number): number => Math.max(0, Math.min(value, last));

/** The block after one key; null where the key moves nothing. Shift stretches it from its anchor. */
export function moved(
  block: Block,
  key: string,
  { shift, control }: { shift: boolean; control: boolean },
  { rows, columns }: Size,
  page: number,
): Block | null {
  const { row, column } = block.active;
  const to = target(key, control, { row, column }, { rows, columns }, page);
  if (!to) return null;
  const active = { row: clamp(to.row, rows - 1), column: clamp(to.column, columns - 1) };
  return shift ? { anchor: block.anchor, active } : onlyCell(active);
}

function target(key: string, control: boolean, { row, column }: Cell, size: Size, page: number): Cell | null {
  const end = { row: size.rows - 1, column: size.columns - 1 };
  switch (key) {
    case 'ArrowUp':
      return { row: control ? 0 : row - 1, column };
    case 'ArrowDown':
      return { row: control ? end.row : row + 1, column };
    case 'ArrowLeft':
      return { row, column: control ? 0 : column - 1 };
    case 'ArrowRight':
      return { row, column: control ? end.column : column + 1 };
    case 'Home':
      return control ? { row: 0, column: 0 } : { row, column: 0 };
    case 'End':
      return control ? end : { row, column: end.column };
    case 'PageUp':
      return { row: row - page, column };
    case 'PageDown':
      return { row: row + page, column };
    default:
      return null;
  }
}

/**
 * Where pasted texts land: from the upper left of the block on. One single text fills the whole block; a row or a
 * column of texts is repeated over a block that is a multiple of it.
 */
export function spread(
  texts: readonly (readonly string[])[],
  block: Block,
  size: Size,
): { cell: Cell; text: string }[] {
  const { top, left, bottom, right } = boundsOf(block);
  const height = texts.length;
  const width = Math.max(...texts.map((line) => line.length));
  const times = (span: number, of: number) => (span % of === 0 ? span : of);
  const rows = Math.min(times(bottom - top + 1, height), size.rows - top);
  const columns = Math.min(times(right - left + 1, width), size.columns - left);
  return Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (_, c) => ({
      cell: { row: top + r, column: left + c },
      text: texts[r % height]![c % width] ?? '',
    })),
  ).flat();
}

/** The cells of a block, row by row. */
export const cellsIn = ({ top, bottom, left, right }: Bounds): Cell[] =>
  Array.from({ length: bottom - top + 1 }, (_, r) =>
    Array.from({ length: right - left + 1 }, (_, c) => ({ row: top + r, column: left + c })),
  ).flat();
