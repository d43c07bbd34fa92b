import {
  type GridCellView,
  type GridPriceView,
  type GridStoreView,
  hasStore,
} from '../../contracts/view/index.ts';
import type { DrawnColumn } from './columns.ts';

/** A price in some stores of a column. */
export interface PriceSeen {
  readonly price: GridPriceView;
  readonly stores: readonly GridStoreView[];
}

/** The prices that a drawn column shows of an item, the one of the most stores first; none where it is not sold. */
export function pricesSeen([prices, sets]: GridCellView, { stores, within }: DrawnColumn): PriceSeen[] {
  if (!sets) return prices.map((price) => ({ price, stores }));
  if (within !== null)
    return prices.filter((_, i) => hasStore(sets[i]!, within)).map((price) => ({ price, stores }));
  return prices.map((price, i) => ({
    price,
    stores: stores.filter((_, number) => hasStore(sets[i]!, number)),
  }));
}

export const isChanged = ([price, , was]: GridPriceView): boolean => was !== undefined && was !== price;
