import type { WorksheetDocument } from '../../core/plan/index.ts';
import type { SheetOutcome } from '../draft/outcome.ts';
import type { Refusal } from '../server/index.ts';
import type { Scope } from './scope-choice.tsx';

/** What is written of new regular prices. */
export interface WrittenPrices {
  /** The day from which on they count. */
  readonly since: string;
  readonly scope: Scope;
  readonly fresh: boolean;
  readonly carry: boolean;
  readonly sheet: WorksheetDocument;
}

/** What became of the prices that were entered last. */
export type Entered =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'entered'; readonly count: number; readonly since: string; readonly waits: boolean }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

export interface RepriceDesk extends WrittenPrices {
  /** The prices that the sheet comes to and that differ from what stands. */
  readonly rows: SheetOutcome['rows'];
  readonly entered: Entered;
}

export type RepriceEvent =
  | { readonly type: 'written'; readonly part: Partial<WrittenPrices> }
  | { readonly type: 'priced'; readonly outcome: SheetOutcome }
  | { readonly type: 'asked' }
  | { readonly type: 'entered'; readonly waits: boolean }
  | { readonly type: 'refused'; readonly refusal: Refusal };

export const repriceDeskOf = (since: string): RepriceDesk => ({
  since,
  scope: { kind: 'every' },
  fresh: false,
  carry: false,
  sheet: { passes: [] },
  rows: [],
  entered: { kind: 'nothing' },
});

export function repriceAfter(desk: RepriceDesk, event: RepriceEvent): RepriceDesk {
  switch (event.type) {
    case 'written':
      return { ...desk, ...event.part };
    case 'priced': {
      const { rows } = event.outcome;
      // What was entered is told until there is something new to enter.
      const told = rows.length > 0 && desk.entered.kind === 'entered';
      return { ...desk, rows, entered: told ? { kind: 'nothing' } : desk.entered };
    }
    case 'asked':
      return { ...desk, entered: { kind: 'nothing' } };
    case 'entered': {
      const { rows, since } = desk;
      const entered: Entered = { kind: 'entered', count: rows.length, since, waits: event.waits };
      return { ...desk, sheet: { passes: [] }, rows: [], entered };
    }
    case 'refused':
      return { ...desk, entered: { kind: 'refused', refusal: event.refusal } };
  }
}

/** The rows of regular prices as edits of their table. */
export const editsOf = ({ rows, since }: RepriceDesk) =>
  rows.map(({ sku, place, since: later, price }) => ({
    key: null,
    cells: { sku, place, since: later ?? since, price },
  }));
