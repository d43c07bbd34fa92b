import type { DayNumber } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import type { Catalogue } from '../selection/index.ts';
import { isRetired, regularPrice } from '../tag-price/index.ts';
import { type Amounts, amounts, NO_PRICE } from './amounts.ts';
import type { Grounds } from './ground.ts';
import type { Assortment } from './ranges.ts';

/** Rows kept: the stores and days that are asked for over and over. */
const KEPT = 96;

/** The regular price of every item that a store can sell on a day, by its number; {@link NO_PRICE} elsewhere. */
export type Shelf = (store: StoreDocument, day: DayNumber) => Amounts;

/** Fills shelves on demand and keeps the ones asked for last. */
export function shelves(
  catalogue: Catalogue,
  grounds: Grounds,
  assortmentOf: (store: string) => Assortment,
): Shelf {
  const kept = new Map<string, Amounts>();
  return (store, day) => {
    const key = `${day} ${store.id}`;
    const found = kept.get(key) ?? fill(catalogue, grounds, assortmentOf(store.id), store, day);
    // The newest stands last; the first is the one that was not asked for longest.
    kept.delete(key);
    kept.set(key, found);
    if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
    return found;
  };
}

function fill(
  catalogue: Catalogue,
  grounds: Grounds,
  assortment: Assortment,
  store: StoreDocument,
  day: DayNumber,
): Amounts {
  const { indexAt } = grounds.order;
  const ground = grounds.at(store, day, []);
  const shelf = amounts(indexAt.length, grounds.wide);
  for (let position = 0; position < indexAt.length; position++)
    shelf[indexAt[position]!] = ground.regular[position]!;
  const hidden = ground.hidden(assortment);
  for (let i = 0; i < hidden.length; i += 2)
    for (let position = hidden[i]!; position < hidden[i + 1]!; position++)
      shelf[indexAt[position]!] = NO_PRICE;
  for (const index of ground.ownOf(store.id))
    shelf[index] = ownPrice(catalogue, assortment, index, store, day);
  return shelf;
}

/** The regular price of an item that has one of its own in a store, or none where it cannot be sold. */
export function ownPrice(
  catalogue: Catalogue,
  assortment: Assortment,
  index: number,
  store: StoreDocument,
  day: DayNumber,
): number {
  const item = catalogue.items[index]!;
  if (catalogue.isParent(index) || isRetired(item, day)) return NO_PRICE;
  const regular = regularPrice(item, store, day)?.price as MinorUnits | undefined;
  return regular !== undefined && assortment.carries(index, regular) ? regular : NO_PRICE;
}
