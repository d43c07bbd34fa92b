import type { Weekday } from '../../core/calendar/index.ts';
import type { BasketDocument } from '../../core/receipt/index.ts';

/** A basket of the open format, whose moment is said apart. */
export type CheckedBasketDocument = Omit<BasketDocument, 'at'>;

/** At one moment, or at this hour of the next such weekday; wall clock at the store. */
export type CheckMoment = { readonly at: string } | { readonly next: Weekday; readonly time: string };

/** What came of ringing a kept basket with one version of the plan. */
export interface BasketCheckResult {
  readonly planVersion: number;
  readonly at: string;
  /** Null: it could not be rung. */
  readonly total: string | null;
  readonly holds: boolean;
  /** Why it could not be rung, or what in it could not be sold. */
  readonly problems: readonly string[];
}

export interface BasketCheckView {
  readonly id: number;
  readonly name: string;
  readonly basket: CheckedBasketDocument;
  readonly moment: CheckMoment;
  readonly storeName: string;
  readonly atMost: string | null;
  readonly atLeast: string | null;
  readonly result: BasketCheckResult;
}
