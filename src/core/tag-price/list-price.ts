import { type MinorUnits, ratio, roundPrice } from '../money/index.ts';
import type { PriceList } from '../plan/index.ts';

/**
 * An item's price in a price list: its own, not rounded, else the list's percentage over or under the regular
 * price, rounded by the list. Null where the list has neither.
 */
export function listPrice(list: PriceList, sku: string, regular: MinorUnits): MinorUnits | null {
  const own = list.prices.get(sku);
  if (own !== undefined) return own;
  if (list.percent === null) return null;
  return roundPrice(ratio(BigInt(regular) * BigInt(10_000 + list.percent), 10_000), list.rounding);
}

export interface BasePrice {
  readonly price: MinorUnits;
  /** The list it comes from; null: the regular price. */
  readonly list: string | null;
}

/** Pricing rules 3.2: the lowest result of the lists of a shopper's groups, else the regular price. */
export function basePrice(lists: readonly PriceList[], sku: string, regular: MinorUnits): BasePrice {
  let base: BasePrice | null = null;
  for (const list of lists) {
    const price = listPrice(list, sku, regular);
    if (price === null) continue;
    if (!base || price < base.price || (price === base.price && list.id < base.list!))
      base = { price, list: list.id };
  }
  return base ?? { price: regular, list: null };
}
