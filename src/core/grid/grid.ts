import { NO_PRICE, numbering } from '../price-book/index.ts';
import { fingerprint } from './alike.ts';
import { plainPrices, priceInStore } from './in-store.ts';
import { type GridSides, type Rows, rowsOf } from './side.ts';
import { windowsOf } from './windows.ts';

/**
 * Stores with the same prices, made by the same promotions, for all goods of the grid and on both sides. A good that
 * one of them does not carry, or has a price of its own for, makes it no other column.
 */
export interface GridColumn {
  readonly stores: readonly string[];
}

/** Goods by stores, and how many of the goods cost something else on the side that they are held against. */
export interface Grid {
  /** Positions in shelf order, rising. */
  readonly goods: Int32Array;
  /** The most stores first. */
  readonly columns: readonly GridColumn[];
  /** Null where so many prices would have to be looked at that nobody waits for it. */
  readonly changed: number | null;
}

export interface GridWanted extends GridSides {
  /** Positions in shelf order, rising. */
  readonly goods: Int32Array;
  readonly stores: readonly string[];
  /** Leaves out what costs the same on both sides in every store. */
  readonly onlyChanged: boolean;
  /** Absent: {@link LOOKED_AT}. */
  readonly most?: number;
}

/** So many prices are looked at before anything is shown. */
const LOOKED_AT = 4_000_000;

/**
 * Lays out a grid: goods that are sold in none of the stores, on neither side, are left out. Of more prices than
 * {@link LOOKED_AT} none is looked at before it is seen, unless only those that changed are wanted: stores then stand
 * together only where the same promotions count in them, and goods stay that are not sold.
 */
export function gridOf({ now, was, goods, stores, onlyChanged, most = LOOKED_AT }: GridWanted): Grid {
  const sides = { now, was };
  const kinds = groupBy(stores, (store) => JSON.stringify([now.kindOf(store), was?.kindOf(store)]));
  if (!onlyChanged && kinds.length * goods.length > most)
    return { goods, columns: inOrder(kinds, stores), changed: null };
  const marks = marksOf(sides, kinds, goods);
  const wanted = onlyChanged ? marks.changed : marks.sold;
  const shown = goods.filter((_, i) => wanted[i] === 1);
  return {
    goods: shown,
    columns: columnsOf(sides, kinds, shown, stores),
    changed: marks.changed.reduce((sum, one) => sum + one, 0),
  };
}

interface Marks {
  /** By the number of a good: 1 where some store sells it, on one side or the other. */
  readonly sold: Uint8Array;
  /** 1 where its price is another in some store. */
  readonly changed: Uint8Array;
}

function marksOf(sides: GridSides, kinds: readonly (readonly string[])[], goods: Int32Array): Marks {
  const marks: Marks = { sold: new Uint8Array(goods.length), changed: new Uint8Array(goods.length) };
  const mark = (i: number, price: number, before: number | null): void => {
    if (price === NO_PRICE && (before ?? NO_PRICE) === NO_PRICE) return;
    marks.sold[i] = 1;
    if (before !== null && before !== price) marks.changed[i] = 1;
  };
  const windows = windowsOf(goods);
  const numberOf = numbering();
  const hiddenIn = (store: string): string =>
    `${numberOf(sides.now.hiddenIn(store))} ${sides.was ? numberOf(sides.was.hiddenIn(store)) : ''}`;
  for (const kind of kinds) {
    const rows = rowsOf(sides, kind[0]!, windows);
    for (const some of groupBy(kind, hiddenIn)) {
      markPlain(sides, rows, some, goods, mark);
      for (const store of some) markOwn(sides, rows, store, goods, mark);
    }
  }
  return marks;
}

type Mark = (good: number, price: number, before: number | null) => void;

/** What one of the stores, which carry the same, has no price of its own for. */
function markPlain(
  sides: GridSides,
  { now, was }: Rows,
  stores: readonly string[],
  goods: Int32Array,
  mark: Mark,
): void {
  const [first] = stores as [string];
  const isOwn = (position: number) => stores.every((store) => ownPositions(sides, store).has(position));
  const skipped = new Set([...ownPositions(sides, first)].filter(isOwn));
  const here = plainPrices(sides.now, now, first);
  const before = sides.was && was ? plainPrices(sides.was, was, first) : null;
  for (let i = 0; i < goods.length; i++) {
    const position = goods[i]!;
    if (!skipped.has(position)) mark(i, here(position), before?.(position) ?? null);
  }
}

function markOwn(sides: GridSides, { now, was }: Rows, store: string, goods: Int32Array, mark: Mark): void {
  const own = ownPositions(sides, store);
  if (own.size === 0) return;
  for (let i = 0; i < goods.length; i++) {
    const position = goods[i]!;
    if (!own.has(position)) continue;
    const before = sides.was && was ? priceInStore(sides.was, was, store, position).price : null;
    mark(i, priceInStore(sides.now, now, store, position).price, before);
  }
}

const ownPositions = ({ now, was }: GridSides, store: string): ReadonlySet<number> =>
  new Set([...now.ownIn(store).keys(), ...(was?.ownIn(store).keys() ?? [])]);

function columnsOf(
  sides: GridSides,
  kinds: readonly (readonly string[])[],
  goods: Int32Array,
  stores: readonly string[],
): GridColumn[] {
  const windows = windowsOf(goods);
  const columns = new Map<string, string[]>();
  for (const kind of kinds) {
    const key = fingerprint(rowsOf(sides, kind[0]!, windows), goods);
    columns.set(key, [...(columns.get(key) ?? []), ...kind]);
  }
  return inOrder([...columns.values()], stores);
}

/** The most stores first; of as many, the one with the first store. */
function inOrder(columns: readonly (readonly string[])[], stores: readonly string[]): GridColumn[] {
  const place = new Map(stores.map((store, i) => [store, i]));
  const placeOf = (store: string) => place.get(store)!;
  return columns
    .map((of) => ({ stores: [...of].sort((a, b) => placeOf(a) - placeOf(b)) }))
    .sort((a, b) => b.stores.length - a.stores.length || placeOf(a.stores[0]!) - placeOf(b.stores[0]!));
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
