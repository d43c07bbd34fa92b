import { type Block, type Cell, moved, onlyCell, type Size } from './range.ts';

/** A sheet being worked on: the block that is chosen, and what is typed into its active cell. */
export interface SheetDesk {
  readonly block: Block;
  /** Null: nothing is typed. */
  readonly typed: string | null;
}

export type SheetEvent =
  | { readonly type: 'chosen'; readonly block: Block }
  /** The block is stretched to a cell, from where it was begun. */
  | { readonly type: 'stretched'; readonly to: Cell }
  | { readonly type: 'typing-began'; readonly text: string }
  | { readonly type: 'typing-ended' };

export const SHEET_DESK: SheetDesk = { block: onlyCell({ row: 0, column: 0 }), typed: null };

export function sheetAfter(desk: SheetDesk, event: SheetEvent): SheetDesk {
  switch (event.type) {
    case 'chosen':
      return { ...desk, block: event.block };
    case 'stretched':
      return { ...desk, block: { ...desk.block, active: event.to } };
    case 'typing-began':
      return { ...desk, typed: event.text };
    case 'typing-ended':
      return { ...desk, typed: null };
  }
}

/** What a key asks for. */
export type KeyIntent =
  | { readonly type: 'go'; readonly block: Block }
  /** Into the active cell; null: what stands there is gone on with. */
  | { readonly type: 'type'; readonly text: string | null }
  | { readonly type: 'erase' | 'undo' | 'redo' | 'fill-down' }
  | { readonly type: 'choose-all'; readonly block: Block };

export interface PressedKey {
  readonly key: string;
  readonly shift: boolean;
  /** Ctrl, or the command key. */
  readonly control: boolean;
  readonly alt: boolean;
}

/** @param page rows that are seen at once. @returns null where the key is none of the sheet's. */
export function keyIntent(block: Block, pressed: PressedKey, size: Size, page: number): KeyIntent | null {
  const { key, shift, control, alt } = pressed;
  const to = moved(block, key, { shift, control }, size, page);
  if (to) return { type: 'go', block: to };
  if (key === 'Enter' || key === 'F2') return { type: 'type', text: null };
  if (key === 'Delete' || key === 'Backspace') return { type: 'erase' };
  const letter = key.toLowerCase();
  if (control && (letter === 'y' || (shift && letter === 'z'))) return { type: 'redo' };
  if (control && letter === 'z') return { type: 'undo' };
  if (control && letter === 'd') return { type: 'fill-down' };
  if (control && letter === 'a') {
    const active = { row: size.rows - 1, column: size.columns - 1 };
    return { type: 'choose-all', block: { anchor: { row: 0, column: 0 }, active } };
  }
  return key.length === 1 && !control && !alt ? { type: 'type', text: key } : null;
}
