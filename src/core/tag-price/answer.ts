import type { MinorUnits, Ratio } from '../money/index.ts';
import type { BasisKind } from '../plan/index.ts';
import type { BasePrice } from './list-price.ts';
import type { LostReason, PriceProblem } from './reason.ts';
import type { RegularPrice } from './regular-price.ts';

/** How a price change came to its result. */
export type Working =
  | { readonly kind: 'line-price'; readonly result: MinorUnits }
  | {
      readonly kind: 'formula';
      readonly basis: BasisKind;
      readonly basisAmount: MinorUnits;
      readonly exact: Ratio;
      readonly result: MinorUnits;
    };

export interface Lost {
  readonly promotion: string;
  readonly reason: LostReason;
  /** Its result, where it came so far. */
  readonly result: MinorUnits | null;
}

export interface OnTopStep {
  readonly promotion: string;
  readonly before: MinorUnits;
  readonly after: MinorUnits;
}

/** Pricing rules 3.6: the price and its whole story. */
export type PriceAnswer =
  | { readonly kind: 'problem'; readonly problem: PriceProblem }
  | {
      readonly kind: 'price';
      readonly price: MinorUnits;
      readonly regular: RegularPrice;
      readonly base: BasePrice;
      readonly winner: {
        readonly promotion: string;
        readonly working: Working;
        readonly changesNothing: boolean;
      } | null;
      readonly onTop: readonly OnTopStep[];
      /** Candidates in the order in which they would have won, then the rest by id. */
      readonly lost: readonly Lost[];
    };
