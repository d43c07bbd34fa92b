import { barOf, type CompiledPlan, type Situation } from '../price-book/index.ts';
import type { PricedLine } from './priced-lines.ts';

/**
 * Promotions that are for some goods of a basket and would count for it, had they not been used as often as they may be:
 * what a shopper asks about who paid less the last time.
 */
export function spentPromotions(
  compiled: CompiledPlan,
  { usedUp, ...situation }: Situation,
  lines: readonly PricedLine[],
): string[] {
  if (!usedUp || usedUp.size === 0) return [];
  const placed = [
    ...compiled.changes.map((change) => ({ ...change, parts: () => [change.selection()] })),
    ...compiled.offers,
  ];
  return placed
    .filter((one) => usedUp.has(one.promotion.id) && barOf(one, situation) === null)
    .filter(({ parts }) => {
      const goods = parts();
      // What is for the whole basket has no goods of its own.
      if (goods.length === 0) return true;
      return lines.some(({ sold }) => sold.ok && goods.some((part) => part.has(sold.item, sold.regular)));
    })
    .map(({ promotion }) => promotion.id);
}
