import type { GridStoreView } from './grid.ts';

/** How much of the time around the lens is drawn. */
export const TIMELINE_SPANS = ['quarter', 'year'] as const;
export type TimelineSpan = (typeof TIMELINE_SPANS)[number];

interface Named {
  readonly id: string;
  readonly name: string;
}

/** A stretch of time in which an item has one price by one promotion. */
export interface TimelineStep {
  /** Wall times at the store. */
  readonly from: string;
  readonly to: string;
  /** Decimal text; null: it is not sold. */
  readonly price: string | null;
  readonly promotion: Named | null;
  /** Promotions that would price it too, and go after the one that does. */
  readonly others: readonly Named[];
}

/** An item in stores where it goes the same way. */
export interface TimelineRow {
  readonly sku: string;
  readonly name: string;
  readonly stores: readonly GridStoreView[];
  readonly steps: readonly TimelineStep[];
  /** Steps after the ones that are told. */
  readonly more: number;
}

export interface TimelineView {
  readonly currency: string;
  /** Dates: the first day that is drawn, and the one after the last. */
  readonly from: string;
  readonly to: string;
  /** The item across stores, or a group of goods in one store. */
  readonly of: 'item' | 'group';
  readonly rows: readonly TimelineRow[];
  /** Rows that are left out. */
  readonly cut: number;
}
