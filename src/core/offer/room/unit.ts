import type { MinorUnits } from '../../money/index.ts';

/** One piece of a basket. Amounts are minor units, per piece. */
export interface Unit {
  /** Place in the basket: of units with equal prices the earlier one comes first. */
  readonly position: number;
  readonly line: number;
  /** Number of the item in the catalogue. */
  readonly item: number;
  readonly regular: MinorUnits;
  /** The price of the shopper's list, or the regular one. */
  readonly base: MinorUnits;
  /** The price on the tag: base, less what price changes take off. */
  readonly tag: MinorUnits;
}

/** The price that an offer works on (pricing rules 4.1, `startsFrom`). */
export type StartingPrice = (unit: Unit) => number;

export const fromTag: StartingPrice = ({ tag }) => tag;
export const fromBase: StartingPrice = ({ base }) => base;
