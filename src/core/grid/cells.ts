import { NO_PRICE } from '../price-book/index.ts';
import type { GridColumn } from './grid.ts';
import { priceInStore } from './in-store.ts';
import { type GridSides, type Rows, rowsOf, type Side, type SidePrice } from './side.ts';
import { windowsOf } from './windows.ts';

/** A price in minor units, null where the item is not sold; and the promotion that made it. */
export interface GridPrice {
  readonly price: number | null;
  readonly promotion: string | null;
}

/** What an item costs in some stores of a column. */
export interface CellPrice extends GridPrice {
  /** What it is held against, null where that is nothing; its promotion is told only where the price is another. */
  readonly was: GridPrice | null;
  /** The stores of the column, by number. */
  readonly stores: readonly number[];
}

/** The prices of an item in the stores of a column, the one of the most stores first; none of those that do not sell it. */
export type GridCell = readonly CellPrice[];

/** The cells of some columns, each with the goods of a part of the grid. */
export function cellsOf(
  sides: GridSides,
  goods: Int32Array,
  columns: readonly GridColumn[],
): readonly (readonly GridCell[])[] {
  const windows = windowsOf(goods);
  return columns.map(({ stores }) => {
    const rows = rowsOf(sides, stores[0]!, windows);
    return Array.from(goods, (position) => cellAt(sides, rows, stores, position));
  });
}

function cellAt(sides: GridSides, rows: Rows, stores: readonly string[], position: number): GridCell {
  const prices = new Map<string, CellPrice & { stores: number[] }>();
  stores.forEach((store, number) => {
    const now = priceInStore(sides.now, rows.now, store, position);
    const was = sides.was && rows.was ? priceInStore(sides.was, rows.was, store, position) : null;
    if (now.price === NO_PRICE && (was?.price ?? NO_PRICE) === NO_PRICE) return;
    const same = was?.price === now.price;
    const key = `${now.price} ${now.winner} ${same ? '' : `${was?.price} ${was?.winner}`}`;
    const found = prices.get(key);
    if (found) found.stores.push(number);
    else
      prices.set(key, {
        ...told(sides.now, now),
        was: was && beside(sides.was!, was, same),
        stores: [number],
      });
  });
  return [...prices.values()].sort((a, b) => b.stores.length - a.stores.length);
}

const told = (side: Side, { price, winner }: SidePrice): GridPrice =>
  price === NO_PRICE
    ? { price: null, promotion: null }
    : { price, promotion: winner < 0 ? null : side.promotionOf(winner) };

const beside = (side: Side, was: SidePrice, same: boolean): GridPrice =>
  same ? { price: was.price, promotion: null } : told(side, was);
