import type { Instant } from '../calendar/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import {
  type Amounts,
  type CompiledPlan,
  NO_PRICE,
  type RowPainter,
  rowPainter,
  type Window,
} from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';

/** What one store's goods cost on one side, by position in the grid's shelf order; the same memory each time. */
export interface SideRow {
  readonly prices: Amounts;
  /** What {@link Side.promotionOf} takes; -1: no promotion. */
  readonly winners: Int32Array;
}

export interface SidePrice {
  readonly price: number;
  readonly winner: number;
}

/** All prices of a chain as they are under certain conditions: a plan, a moment at each store, a kind of shopper. */
export interface Side {
  /** As if the store carried everything and had no prices of its own. Null: nothing is known of the store. */
  rowOf(store: string, windows: readonly Window[]): SideRow | null;
  /** What the store does not sell of it, in stretches of positions: from, to, from, to, … */
  hiddenIn(store: string): Int32Array;
  /** What stands in its place in the store, by position. */
  ownIn(store: string): ReadonlyMap<number, SidePrice>;
  /** Stores of one kind have one and the same row. */
  kindOf(store: string): string;
  promotionOf(winner: number): string;
}

export interface GridSides {
  readonly now: Side;
  /** What prices are held against; null: nothing. */
  readonly was: Side | null;
}

export interface Rows {
  readonly now: SideRow | null;
  readonly was: SideRow | null;
}

export const rowsOf = ({ now, was }: GridSides, store: string, windows: readonly Window[]): Rows => ({
  now: now.rowOf(store, windows),
  was: was?.rowOf(store, windows) ?? null,
});

export interface Conditions {
  /** The moment that counts at a store: the same hour of each store's own clock is not the same moment. */
  readonly at: (store: Pick<StoreDocument, 'timeZone'>) => Instant;
  readonly shopper: Shopper;
}

const NOTHING = new Int32Array();
const NONE: ReadonlyMap<number, SidePrice> = new Map();

/** Prices of a plan whose goods are in the order of the grid. */
export function sideOf(compiled: CompiledPlan, { at, shopper }: Conditions): Side {
  const painters = new Map<Instant, RowPainter>();
  const painterAt = (store: StoreDocument): RowPainter => {
    const moment = at(store);
    const found = painters.get(moment) ?? rowPainter(compiled, { at: moment, shopper });
    painters.set(moment, found);
    return found;
  };
  const inStore = <T>(id: string, work: (painter: RowPainter) => T): T | null => {
    const store = compiled.stores.get(id);
    return store ? work(painterAt(store)) : null;
  };
  return {
    rowOf: (id, windows) => inStore(id, (painter) => painter.plainRow(id, windows)),
    hiddenIn: (id) => inStore(id, (painter) => painter.hiddenIn(id)) ?? NOTHING,
    ownIn: (id) => inStore(id, (painter) => painter.ownIn(id)) ?? NONE,
    kindOf: (id) =>
      inStore(id, (painter) => `${at(compiled.stores.get(id)!)} ${painter.kindOf(id)}`) ?? 'none',
    promotionOf: (winner) => compiled.changes[winner]!.promotion.id,
  };
}

/** The prices of one store, whichever store is asked about. */
export const sideOfStore = (side: Side, store: string): Side => ({
  rowOf: (_, windows) => side.rowOf(store, windows),
  hiddenIn: () => side.hiddenIn(store),
  ownIn: () => side.ownIn(store),
  kindOf: () => 'the one store',
  promotionOf: side.promotionOf,
});

interface PlannedRow {
  readonly row: SideRow;
  readonly hidden: Int32Array;
  readonly own: ReadonlyMap<number, SidePrice>;
}

/**
 * Prices of a plan of its own for each store, such as the one that its terminals hold; by SKU, as each has its own goods.
 * @param side the side that it is held against: what a plan does not sell has its prices there, hidden,
 *   and what a store has prices of its own for stands apart on both.
 * @param planOf null: there is none for that store.
 */
export function sideOfPlans(
  order: CompiledPlan,
  side: Side,
  planOf: (store: string) => CompiledPlan | null,
  conditions: Conditions,
): Side {
  const ids: string[] = [];
  const numbers = new Map<string, number>();
  const numberOf = (id: string): number => {
    const found = numbers.get(id) ?? ids.push(id) - 1;
    numbers.set(id, found);
    return found;
  };
  const rows = new Map<string, PlannedRow | null>();
  const rowIn = (store: string): PlannedRow | null => {
    if (!rows.has(store)) {
      const compiled = planOf(store);
      rows.set(store, compiled && plannedRow({ order, side, compiled, store, conditions, numberOf }));
    }
    return rows.get(store)!;
  };
  return {
    rowOf: (store) => rowIn(store)?.row ?? null,
    hiddenIn: (store) => rowIn(store)?.hidden ?? NOTHING,
    ownIn: (store) => rowIn(store)?.own ?? NONE,
    kindOf: (store) => store,
    promotionOf: (winner) => ids[winner]!,
  };
}

function plannedRow({
  order,
  side,
  compiled,
  store,
  conditions,
  numberOf,
}: {
  order: CompiledPlan;
  side: Side;
  compiled: CompiledPlan;
  store: string;
  conditions: Conditions;
  numberOf: (promotion: string) => number;
}): PlannedRow | null {
  const place = compiled.stores.get(store);
  const painter = place && rowPainter(compiled, { ...conditions, at: conditions.at(place) });
  const there = painter?.row(store);
  const besides = side.rowOf(store, [{ from: 0, to: order.catalogue.items.length }]);
  if (!there || !besides) return null;
  const { indexAt } = order.grounds.order;
  const prices = Float64Array.from(besides.prices);
  const winners = new Int32Array(prices.length).fill(-1);
  const apart = side.ownIn(store);
  const own = new Map<number, SidePrice>();
  const ends: number[] = [];
  for (let position = 0; position < prices.length; position++) {
    const index = compiled.catalogue.indexOf.get(order.catalogue.items[indexAt[position]!]!.sku);
    const from = index === undefined ? -1 : compiled.grounds.order.positionOf[index]!;
    const price = from < 0 ? NO_PRICE : there.prices[from]!;
    const number = price === NO_PRICE ? -1 : there.winners[from]!;
    const winner = number < 0 ? -1 : numberOf(compiled.changes[number]!.promotion.id);
    if (apart.has(position)) own.set(position, { price, winner });
    else if (price !== NO_PRICE) {
      prices[position] = price;
      winners[position] = winner;
    }
    const isOpen = ends.length % 2 === 1;
    if ((price === NO_PRICE) !== isOpen) ends.push(position);
  }
  if (ends.length % 2 === 1) ends.push(prices.length);
  return { row: { prices, winners }, hidden: Int32Array.from(ends), own };
}
