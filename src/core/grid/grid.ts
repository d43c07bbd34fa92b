import { NO_PRICE, type Window } from '../price-book/index.ts';
import type { Side, SideRow } from './side.ts';

/** Stores that have the same prices for all goods of the grid, made by the same promotions, on both sides. */
export interface GridColumn {
  readonly stores: readonly string[];
}

/** Goods by stores, and how many of the goods cost something else on the side that they are held against. */
export interface Grid {
  /** Positions in shelf order, rising. */
  readonly goods: Int32Array;
  /** The most stores first. */
  readonly columns: readonly GridColumn[];
  readonly changed: number;
}

export interface GridSides {
  readonly now: Side;
  /** What prices are held against; null: nothing. */
  readonly was: Side | null;
}

export interface GridWanted extends GridSides {
  /** Positions in shelf order, rising. */
  readonly goods: Int32Array;
  readonly stores: readonly string[];
  /** Leaves out what costs the same on both sides in every store. */
  readonly onlyChanged: boolean;
}

/** Lays out a grid: goods that are sold in none of the stores, on neither side, are left out. */
export function gridOf({ now, was, goods, stores, onlyChanged }: GridWanted): Grid {
  const kinds = groupBy(stores, (store) => JSON.stringify([now.kindOf(store), was?.kindOf(store)]));
  const sides = { now, was };
  const sold = new Uint8Array(goods.length);
  const changed = new Uint8Array(goods.length);
  const windows = windowsOf(goods);
  for (const [store] of kinds) mark(rowsOf(sides, store!, windows), goods, sold, changed);
  const shown = goods.filter((_, i) => (onlyChanged ? changed[i] === 1 : sold[i] === 1));
  const shownWindows = windowsOf(shown);
  const columns = new Map<string, string[]>();
  for (const kind of kinds) {
    const key = fingerprint(rowsOf(sides, kind[0]!, shownWindows), shown);
    columns.set(key, [...(columns.get(key) ?? []), ...kind]);
  }
  const place = new Map(stores.map((store, i) => [store, i]));
  const inOrder = (of: readonly string[]) => [...of].sort((a, b) => place.get(a)! - place.get(b)!);
  return {
    goods: shown,
    columns: [...columns.values()]
      .map((of) => ({ stores: inOrder(of) }))
      .sort(
        (a, b) => b.stores.length - a.stores.length || place.get(a.stores[0]!)! - place.get(b.stores[0]!)!,
      ),
    changed: changed.reduce((sum, one) => sum + one, 0),
  };
}

/** A price in minor units, null where the item is not sold; and the promotion that made it. */
export interface GridPrice {
  readonly price: number | null;
  readonly promotion: string | null;
}

export interface GridCell extends GridPrice {
  /** What it is held against; null where that is nothing, or has nothing on the store. */
  readonly was: GridPrice | null;
}

/** The cells of some columns, each with the goods of a part of the grid. */
export function cellsOf(
  sides: GridSides,
  goods: Int32Array,
  columns: readonly GridColumn[],
): readonly (readonly GridCell[])[] {
  const windows = windowsOf(goods);
  return columns.map(({ stores: [store] }) => {
    const { now, was } = rowsOf(sides, store!, windows);
    return Array.from(goods, (position) => ({
      ...priceIn(sides.now, now, position),
      was: sides.was && was ? priceIn(sides.was, was, position) : null,
    }));
  });
}

const NOT_SOLD: GridPrice = { price: null, promotion: null };

function priceIn(side: Side, row: SideRow | null, position: number): GridPrice {
  const price = row?.prices[position] ?? NO_PRICE;
  if (!row || price === NO_PRICE) return NOT_SOLD;
  const winner = row.winners[position]!;
  return { price, promotion: winner < 0 ? null : side.promotionOf(winner) };
}

interface Rows {
  readonly now: SideRow | null;
  readonly was: SideRow | null;
}

const rowsOf = ({ now, was }: GridSides, store: string, windows: readonly Window[]): Rows => ({
  now: now.rowOf(store, windows),
  was: was?.rowOf(store, windows) ?? null,
});

function mark({ now, was }: Rows, goods: Int32Array, sold: Uint8Array, changed: Uint8Array): void {
  for (let i = 0; i < goods.length; i++) {
    const price = now?.prices[goods[i]!] ?? NO_PRICE;
    if (price !== NO_PRICE) sold[i] = 1;
    if (!was) continue;
    const before = was.prices[goods[i]!]!;
    if (before !== NO_PRICE) sold[i] = 1;
    if (before !== price) changed[i] = 1;
  }
}

/** Two numbers of 32 bits, mixed apart: rows that differ have the same ones once in 10^19 pairs. */
function fingerprint({ now, was }: Rows, goods: Int32Array): string {
  let first = now ? 1 : 2;
  let second = was ? 3 : 4;
  const mix = (value: number): void => {
    first = Math.imul(first ^ value, 0x9e3779b1);
    first ^= first >>> 15;
    second = Math.imul((second << 7) ^ (second >>> 25) ^ value, 0x85ebca6b);
  };
  for (const row of [now, was]) {
    if (!row) continue;
    for (let i = 0; i < goods.length; i++) {
      const price = row.prices[goods[i]!]!;
      mix(price | 0);
      // What needs more than 32 bits.
      if (price > 0xffffffff) mix(Math.floor(price / 2 ** 32));
      mix(row.winners[goods[i]!]!);
    }
  }
  return `${first} ${second}`;
}

/** Positions that lie no further apart than this are painted together. */
const APART = 512;

function windowsOf(goods: Int32Array): Window[] {
  const windows: { from: number; to: number }[] = [];
  for (const position of goods) {
    const last = windows.at(-1);
    if (last && position - last.to < APART) last.to = position + 1;
    else windows.push({ from: position, to: position + 1 });
  }
  return windows;
}

function groupBy(stores: readonly string[], keyOf: (store: string) => string): string[][] {
  const groups = new Map<string, string[]>();
  for (const store of stores) {
    const key = keyOf(store);
    const group = groups.get(key);
    if (group) group.push(store);
    else groups.set(key, [store]);
  }
  return [...groups.values()];
}
