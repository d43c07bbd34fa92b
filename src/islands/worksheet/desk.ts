import type { WorksheetDocument } from '../../core/plan/index.ts';
import type { SheetFilter, SheetLook } from '../../core/worksheet/index.ts';
import { sortedBy } from '../sheet/sorted-by.ts';
import type { WrongCells } from './typed-cells.ts';

/** How the lines of a worksheet are looked at, and what was done to it. The sheet itself is its owner's. */
export interface SheetDesk {
  readonly filter: SheetFilter;
  readonly text: string;
  readonly sort: SheetLook['sort'];
  /** The rows that are chosen. */
  readonly held: { readonly first: number; readonly last: number };
  /** Names of goods that were found while choosing. */
  readonly known: Readonly<Record<string, string>>;
  /** What was typed and is no price. */
  readonly wrong: WrongCells;
  /** The prices that it comes to are the person's doing; until then the saved ones stay. */
  readonly touched: boolean;
  readonly past: readonly WorksheetDocument[];
  readonly future: readonly WorksheetDocument[];
}

export type SheetEvent =
  | { readonly type: 'filtered'; readonly filter: SheetFilter }
  | { readonly type: 'searched'; readonly text: string }
  | { readonly type: 'sorted'; readonly field: NonNullable<SheetLook['sort']>['field'] }
  | { readonly type: 'held'; readonly rows: SheetDesk['held'] }
  | { readonly type: 'named'; readonly names: Readonly<Record<string, string>> }
  | { readonly type: 'typed'; readonly wrong: WrongCells }
  | { readonly type: 'prices-taken' }
  /** The sheet was `before`, and is another now. */
  | { readonly type: 'written'; readonly before: WorksheetDocument }
  /** One step back or on, from the sheet as it is `now`. */
  | { readonly type: 'undone' | 'redone'; readonly now: WorksheetDocument };

const MOST_STEPS = 100;

/** @param saved whether prices of it were saved before. */
export const sheetDeskOf = (saved: boolean): SheetDesk => ({
  filter: 'all',
  text: '',
  sort: null,
  held: { first: 0, last: 0 },
  known: {},
  wrong: new Map(),
  touched: !saved,
  past: [],
  future: [],
});

export function sheetDeskAfter(desk: SheetDesk, event: SheetEvent): SheetDesk {
  const { past, future } = desk;
  switch (event.type) {
    case 'filtered':
      return { ...desk, filter: event.filter };
    case 'searched':
      return { ...desk, text: event.text };
    case 'sorted':
      return { ...desk, sort: sortedBy(desk.sort, event.field) };
    case 'held':
      return { ...desk, held: event.rows };
    case 'named':
      return { ...desk, known: { ...desk.known, ...event.names } };
    case 'typed':
      return { ...desk, wrong: event.wrong };
    case 'prices-taken':
      return { ...desk, touched: true };
    case 'written':
      return { ...desk, touched: true, past: [...past.slice(1 - MOST_STEPS), event.before], future: [] };
    case 'undone':
      return { ...desk, touched: true, past: past.slice(0, -1), future: [event.now, ...future] };
    case 'redone':
      return { ...desk, touched: true, past: [...past, event.now], future: future.slice(1) };
  }
}
