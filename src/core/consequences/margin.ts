import type { MinorUnits } from '../money/index.ts';

/** Margin in basis points of the price, rounded down; null without a cost or at a price of zero. */
export function marginOf(price: MinorUnits, cost: MinorUnits | null): number | null {
  return cost === null || price === 0 ? null : Math.floor(((price - cost) * 10_000) / price);
}

/**
 * How many times as many units must be sold at the new price to earn what the old one earns, in hundredths.
 * Null where no number would do: nothing is earned at the new price, or the cost is not known.
 */
export function breakEven(before: MinorUnits, after: MinorUnits, cost: MinorUnits | null): number | null {
  if (cost === null || after <= cost) return null;
  return Math.ceil((Math.max(0, before - cost) * 100) / (after - cost));
}
