import type { DayNumber } from '../calendar/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import type { Catalogue } from '../selection/index.ts';
import { isRetired, regularPrice } from '../tag-price/index.ts';

export const NO_PRICE = -1;
/** Rows kept: the stores and days that are asked for over and over. */
const KEPT = 96;

/** The regular price of every item that a store can sell on a day, by its number; {@link NO_PRICE} elsewhere. */
export type Shelf = (store: StoreDocument, day: DayNumber) => Float64Array;

/**
 * Fills shelves on demand and keeps the ones asked for last.
 * @param carries whether a range lets a store carry an item at a regular price.
 */
export function shelves(
  catalogue: Catalogue,
  carries: (store: string, index: number, regular: number | null) => boolean,
): Shelf {
  const kept = new Map<string, Float64Array>();
  return (store, day) => {
    const key = `${day} ${store.id}`;
    const found = kept.get(key) ?? fill(catalogue, carries, store, day);
    // The newest stands last; the first is the one that was not asked for longest.
    kept.delete(key);
    kept.set(key, found);
    if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
    return found;
  };
}

function fill(
  catalogue: Catalogue,
  carries: (store: string, index: number, regular: number | null) => boolean,
  store: StoreDocument,
  day: DayNumber,
): Float64Array {
  return Float64Array.from(catalogue.items, (item, index) => {
    if (catalogue.isParent(index) || isRetired(item, day)) return NO_PRICE;
    const regular = regularPrice(item, store, day)?.price;
    return regular !== undefined && carries(store.id, index, regular) ? regular : NO_PRICE;
  });
}
