import type { ReactNode } from 'react';

export interface SheetColumn {
  readonly field: string;
  readonly title: string;
  /** Drawn instead of the title. */
  readonly head?: ReactNode;
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
  readonly drawCell?: (row: SheetRow, field: string, index: number) => ReactNode | undefined;
  /** The cell that keys and the pointer are at. */
  readonly onActive?: (cell: { row: number; field: string }) => void;
  /** Enter or a double press on a cell that is not typed into. */
  readonly onOpen?: (cell: { row: number; field: string }) => void;
  /** The columns that are drawn beside the first. */
  readonly onShowColumns?: (first: number, last: number) => void;
  readonly onBlock?: (rows: { first: number; last: number }) => void;
  /** Takes up no more than this of the window's height. */
  readonly height?: string;
}
