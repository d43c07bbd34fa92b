export type MarginCode = 'below-cost' | 'below-floor';

/** How far a price is under the cost, or under the least price that leaves the floor; null: it is not. */
export function shortfall(
  price: number,
  cost: number,
  floor: number | null,
): { readonly code: MarginCode; readonly amount: number } | null {
  if (price < cost) return { code: 'below-cost', amount: cost - price };
  const least = leastPrice(cost, floor);
  return price < least ? { code: 'below-floor', amount: least - price } : null;
}

/** The least price whose margin is the floor; without one, the cost. */
export function leastPrice(cost: number, floor: number | null): number {
  if (floor === null) return cost;
  return floor >= 10_000
    ? Number.POSITIVE_INFINITY
    : Math.max(cost, Math.ceil((cost * 10_000) / (10_000 - floor)));
}
