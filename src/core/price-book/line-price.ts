import type { MinorUnits } from '../money/index.ts';
import type { Item, PriceChange, StoreDocument } from '../plan/index.ts';
import type { Catalogue } from '../selection/index.ts';

/**
 * The line price of an item in a store: the store's, else its zone's, else the one for everywhere. One given for a
 * parent holds for its variants that have none of their own in any of these.
 */
export function linePrice(
  { linePrices: { stores, zones, everywhere } }: PriceChange,
  item: Item,
  store: StoreDocument,
  catalogue: Catalogue,
): MinorUnits | undefined {
  const places = [
    stores.get(store.id),
    store.zone === undefined ? undefined : zones.get(store.zone),
    everywhere,
  ].filter((prices) => prices !== undefined && prices.size > 0);
  if (places.length === 0) return undefined;
  for (let at: Item | undefined = item; at; at = parentOf(at, catalogue))
    for (const prices of places) {
      const price = prices!.get(at.sku);
      if (price !== undefined) return price;
    }
  return undefined;
}

const parentOf = (item: Item, catalogue: Catalogue): Item | undefined =>
  item.parent === undefined ? undefined : catalogue.items[catalogue.indexOf.get(item.parent)!];
