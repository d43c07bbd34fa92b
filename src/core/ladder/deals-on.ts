import type { Promotion } from '../plan/index.ts';
import {
  barOf,
  type CompiledOffer,
  type CompiledPlan,
  type PriceQuestion,
  pricesIn,
  sellable,
  situationOf,
} from '../price-book/index.ts';
import type { LostReason } from '../tag-price/index.ts';

/** A promotion over the basket that takes an item in. */
export interface DealOnItem {
  readonly promotion: Promotion;
  /** Why it does not count there and then for this shopper; null where it does. */
  readonly reason: LostReason | null;
}

/**
 * Every promotion that is no price change and of whose goods an item is, by id: live or not, and why not. Where the
 * price change that sets the item's price stands alone, no deal counts.
 * @returns nothing for an item or a store that the plan does not know.
 */
export function dealsOn(compiled: CompiledPlan, question: PriceQuestion): DealOnItem[] {
  const store = compiled.stores.get(question.store);
  const index = compiled.catalogue.indexOf.get(question.sku);
  if (!store || index === undefined) return [];
  const situation = situationOf(compiled, store, question);
  const found = sellable(compiled, situation, index);
  const regular = typeof found === 'string' ? null : found.price;
  const takesIn = (offer: CompiledOffer) => offer.parts().some((part) => part.has(index, regular));
  const answer = pricesIn(compiled, situation)(index);
  const winner = answer.kind === 'price' ? answer.winner?.promotion : undefined;
  const alone = compiled.plan.promotions.some(({ id, alone }) => alone && id === winner);
  return compiled.offers.filter(takesIn).map((offer) => ({
    promotion: offer.promotion,
    reason: barOf(offer, situation) ?? (alone ? 'winner-alone' : null),
  }));
}
