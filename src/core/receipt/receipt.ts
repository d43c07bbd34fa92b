import type { CheckedCode } from './codes.ts';
import type { NextTier } from './next-tier.ts';
import type { DeliveryPaid } from './pay-delivery.ts';

/** A receipt in whole minor units; {@link ./receipt-document.ts} writes it in the open format. */
export interface Receipt {
  readonly id: string | null;
  readonly goods: number;
  readonly total: number;
  readonly saving: number;
  readonly proved: boolean;
  /** The greatest saving still possible less the one found; 0 where it is proved. */
  readonly bound: number;
  readonly lines: readonly ReceiptLine[];
  readonly applications: readonly ReceiptApplication[];
  readonly rewards: readonly {
    readonly promotion: string;
    readonly measured: number;
    readonly amount: number;
  }[];
  readonly delivery: DeliveryPaid | null;
  readonly codes: readonly CheckedCode[];
  readonly nearly: readonly NearlyThere[];
  /** Rewards of which it falls short; the open format does not tell them. */
  readonly nextTiers: readonly NextTier[];
  readonly problems: readonly ReceiptProblem[];
  /** Promotions that are for its goods and were used as often as they may be; the open format does not tell them. */
  readonly spent: readonly string[];
}

export interface ReceiptLine {
  /** Place among the lines of the basket, of which a limit in units makes several; null: a gift. */
  readonly of: number | null;
  readonly sku: string;
  readonly thousandths: number;
  readonly weighed: boolean;
  readonly regular: number;
  readonly base: number;
  /** The price list that made the base; null: it is the public price. The open format does not tell it. */
  readonly list: string | null;
  /** The price change that set the tag, and those on top of it, in their order. */
  readonly priceChange: string | null;
  readonly onTop: readonly string[];
  readonly tag: number;
  readonly net: number;
  readonly gift: boolean;
  readonly reductions: readonly {
    readonly promotion: string;
    readonly units: number | null;
    readonly amount: number;
  }[];
}

export interface ReceiptApplication {
  readonly promotion: string;
  readonly times: number;
  readonly units: readonly { readonly line: number; readonly quantity: number }[];
  readonly saving: number;
}

export interface NearlyThere {
  readonly promotion: string;
  readonly add: number;
  readonly sku: string;
  readonly saving: number;
}

export interface ReceiptProblem {
  readonly line: number | null;
  readonly code: string;
  readonly message: string;
}
