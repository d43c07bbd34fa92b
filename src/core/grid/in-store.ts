import { firstFrom, NO_PRICE } from '../price-book/index.ts';
import type { Side, SidePrice, SideRow } from './side.ts';

const UNSOLD: SidePrice = { price: NO_PRICE, winner: -1 };

/** What a store sells at a position, out of its row; {@link NO_PRICE} where it does not. */
export function priceInStore(side: Side, row: SideRow | null, store: string, position: number): SidePrice {
  if (!row) return UNSOLD;
  const own = side.ownIn(store).get(position);
  if (own) return own;
  return isIn(side.hiddenIn(store), position)
    ? UNSOLD
    : { price: row.prices[position]!, winner: row.winners[position]! };
}

/** Whether a position lies in one of the stretches. */
const isIn = (stretches: Int32Array, position: number): boolean =>
  stretches.length > 0 && firstFrom(stretches, position + 1) % 2 === 1;

/** The price at positions that are asked for one after another, rising, but for those of the store's own. */
export function plainPrices(side: Side, row: SideRow | null, store: string): (position: number) => number {
  if (!row) return () => NO_PRICE;
  const hidden = side.hiddenIn(store);
  let end = 0;
  return (position) => {
    while (end < hidden.length && hidden[end]! <= position) end += 1;
    return end % 2 === 1 ? NO_PRICE : row.prices[position]!;
  };
}
