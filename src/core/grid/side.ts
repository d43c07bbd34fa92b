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

/** All prices of a chain as they are under certain conditions: a plan, a moment at each store, a kind of shopper. */
export interface Side {
  /** Null: it has nothing on that store. */
  rowOf(store: string, windows: readonly Window[]): SideRow | null;
  /** Stores of one kind have one and the same row. */
  kindOf(store: string): string;
  promotionOf(winner: number): string;
}

export interface Conditions {
  /** The moment that counts at a store: the same hour of each store's own clock is not the same moment. */
  readonly at: (store: Pick<StoreDocument, 'timeZone'>) => Instant;
  readonly shopper: Shopper;
}

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
    rowOf: (id, windows) => inStore(id, (paint) => paint(id, windows)),
    kindOf: (id) => inStore(id, (paint) => `${at(compiled.stores.get(id)!)} ${paint.kindOf(id)}`) ?? 'none',
    promotionOf: (winner) => compiled.changes[winner]!.promotion.id,
  };
}

/** The prices of one store, whichever store is asked about. */
export const sideOfStore = (side: Side, store: string): Side => ({
  rowOf: (_, windows) => side.rowOf(store, windows),
  kindOf: () => 'the one store',
  promotionOf: side.promotionOf,
});

/**
 * Prices of a plan of its own for each store, such as the one that its terminals hold; by SKU, as each has its own goods.
 * @param planOf null: there is none for that store.
 */
export function sideOfPlans(
  order: CompiledPlan,
  planOf: (store: string) => CompiledPlan | null,
  conditions: Conditions,
): Side {
  const { indexAt } = order.grounds.order;
  const ids: string[] = [];
  const numbers = new Map<string, number>();
  const numberOf = (id: string): number => {
    const found = numbers.get(id) ?? ids.push(id) - 1;
    numbers.set(id, found);
    return found;
  };
  const rows = new Map<string, SideRow | null>();
  const rowIn = (store: string): SideRow | null => {
    const compiled = planOf(store);
    const row = compiled && sideOf(compiled, conditions).rowOf(store, [everyItem(compiled)]);
    if (!compiled || !row) return null;
    const prices = new Float64Array(indexAt.length).fill(NO_PRICE);
    const winners = new Int32Array(indexAt.length).fill(-1);
    for (let position = 0; position < indexAt.length; position++) {
      const index = compiled.catalogue.indexOf.get(order.catalogue.items[indexAt[position]!]!.sku);
      if (index === undefined) continue;
      const there = compiled.grounds.order.positionOf[index]!;
      const winner = row.winners[there]!;
      prices[position] = row.prices[there]!;
      winners[position] = winner < 0 ? -1 : numberOf(compiled.changes[winner]!.promotion.id);
    }
    return { prices, winners };
  };
  return {
    rowOf(store) {
      if (!rows.has(store)) rows.set(store, rowIn(store));
      return rows.get(store)!;
    },
    kindOf: (store) => store,
    promotionOf: (winner) => ids[winner]!,
  };
}

const everyItem = ({ catalogue }: CompiledPlan): Window => ({ from: 0, to: catalogue.items.length });
