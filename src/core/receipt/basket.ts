import type { Instant } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Shopper } from '../tag-price/index.ts';
import type { VouchedCodes } from './vouched-code.ts';

/** A basket that was read: it names a store of the plan, and every quantity is above zero. */
export interface Basket {
  readonly id: string | null;
  readonly store: string;
  readonly at: Instant;
  readonly channel: string;
  readonly terminal: string | null;
  readonly shopper: Shopper;
  /** Null for a guest, of whom nothing is known. */
  readonly history: { readonly pastOrders: number; readonly lifetimeSpend: MinorUnits } | null;
  readonly codes: readonly string[];
  /** What is known of its codes beside the plan; absent: nothing. */
  readonly vouched?: VouchedCodes;
  readonly usesSoFar: ReadonlyMap<string, number>;
  readonly payment: string | null;
  readonly delivery: { readonly way: string; readonly charge: MinorUnits } | null;
  readonly region: string | null;
  readonly postcode: string | null;
  readonly linkTag: string | null;
  readonly lines: readonly BasketLine[];
}

export interface BasketLine {
  readonly sku: string;
  /** Thousandths of a piece or of a unit of measure. */
  readonly thousandths: number;
}
