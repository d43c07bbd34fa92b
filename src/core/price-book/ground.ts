import type { DayNumber } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Item, PriceList, StoreDocument } from '../plan/index.ts';
import type { Catalogue } from '../selection/index.ts';
import { basePrice, isRetired, regularPrice } from '../tag-price/index.ts';
import { type Amounts, amounts, NO_PRICE } from './amounts.ts';
import type { Assortment } from './ranges.ts';
import type { ShelfOrder } from './shelf-order.ts';

/**
 * What prices stand on before any promotion, by position: the same for all stores of a zone between two days on which
 * a regular price changes. What has been worked out on it is kept with it, and goes with it.
 */
export interface Ground {
  /** A store that stands for all of them: the zone's, and none of its own prices unless it has a ground of its own. */
  readonly store: StoreDocument;
  readonly regular: Amounts;
  /** What the shopper's price lists make of them; the same array where there are none. */
  readonly base: Amounts;
  /** Numbers of the items for which one of its stores has a price of its own; worked out by itself there. */
  ownOf(store: string): readonly number[];
  /** The stretches of what a store does not carry or has no price for: from, to, from, to, … */
  hidden(assortment: Assortment): Int32Array;
  /** What is kept with it, by what it is made from. */
  readonly kept: WeakMap<object, unknown>;
}

export interface Grounds {
  /** Whether amounts need more than 32 bits. */
  readonly wide: boolean;
  /** The largest amount that a price may start from. */
  readonly largest: number;
  readonly order: ShelfOrder;
  /** The days on which some regular price begins or some item is no longer carried, rising. */
  readonly turns: readonly DayNumber[];
  at(store: StoreDocument, day: DayNumber, lists: readonly PriceList[]): Ground;
}

/** Grounds kept: a chain has a handful of zones, and is asked for a few days and kinds of shopper at a time. */
const KEPT = 48;
/** Small ones are kept for longer: a look through the plan goes from day to day and from zone to zone. */
const KEPT_CELLS = 4_000_000;
/** A store with more prices of its own than this has a ground of its own. */
const FEW = 24;
const NONE: readonly number[] = [];

export function groundsOf(
  catalogue: Catalogue,
  { orderOf, wide, largest }: Pick<Grounds, 'wide' | 'largest'> & { readonly orderOf: () => ShelfOrder },
): Grounds {
  // A single price needs none of them, and is asked for right after each change of the stockroom.
  let order: ShelfOrder | undefined;
  let own: ReadonlyMap<string, readonly number[]> | undefined;
  let turning: readonly DayNumber[] | undefined;
  const kept = new Map<string, Ground>();
  const most = Math.max(KEPT, Math.floor(KEPT_CELLS / Math.max(1, catalogue.items.length)));
  return {
    wide,
    largest,
    get order() {
      order ??= orderOf();
      return order;
    },
    get turns() {
      turning ??= turningDays(catalogue.items);
      return turning;
    },
    at(store, day, lists) {
      own ??= ownPrices(catalogue.items);
      const owned = own;
      const { turns } = this;
      const alone = (owned.get(store.id) ?? NONE).length > FEW ? store.id : null;
      const key = JSON.stringify([store.zone, alone, turnsUntil(turns, day), lists.map(({ id }) => id)]);
      const wanted = { store, own: alone, day, lists, wide, owned };
      const found = kept.get(key) ?? ground(catalogue, this.order, wanted);
      // The newest stands last; the first is the one that was not asked for longest.
      kept.delete(key);
      kept.set(key, found);
      if (kept.size > most) kept.delete(kept.keys().next().value!);
      return found;
    },
  };
}

interface GroundWanted {
  readonly store: StoreDocument;
  /** The store whose own prices it has; null: the zone's. */
  readonly own: string | null;
  readonly day: DayNumber;
  readonly lists: readonly PriceList[];
  readonly wide: boolean;
  readonly owned: ReadonlyMap<string, readonly number[]>;
}

/** No store has this id: it has the prices of its zone. */
const ANY = '';

function ground(catalogue: Catalogue, { indexAt }: ShelfOrder, wanted: GroundWanted): Ground {
  const { own, day, lists, wide, owned } = wanted;
  const store = own === null ? { ...wanted.store, id: ANY } : wanted.store;
  const regular = amounts(indexAt.length, wide);
  for (let position = 0; position < indexAt.length; position++)
    regular[position] = shelfPrice(catalogue, indexAt[position]!, store, day);
  const base = lists.length === 0 ? regular : based(regular, catalogue.items, indexAt, lists);
  const hidden = new Map<Assortment, Int32Array>();
  return {
    store,
    regular,
    base,
    ownOf: own === null ? (id) => owned.get(id) ?? NONE : () => NONE,
    hidden(assortment) {
      const found = hidden.get(assortment) ?? stretchesNotCarried(assortment, regular, indexAt);
      hidden.set(assortment, found);
      return found;
    },
    kept: new WeakMap(),
  };
}

function shelfPrice(catalogue: Catalogue, index: number, store: StoreDocument, day: DayNumber): number {
  const item = catalogue.items[index]!;
  if (catalogue.isParent(index) || isRetired(item, day)) return NO_PRICE;
  return regularPrice(item, store, day)?.price ?? NO_PRICE;
}

/** Items share a few hundred prices: what a list makes of one is worked out once, unless the item has its own there. */
function based(
  regular: Amounts,
  items: readonly Item[],
  indexAt: Int32Array,
  lists: readonly PriceList[],
): Amounts {
  const known = new Map<number, number>();
  const base = regular.slice();
  for (let position = 0; position < base.length; position++) {
    const amount = regular[position]!;
    if (amount === NO_PRICE) continue;
    const { sku } = items[indexAt[position]!]!;
    const own = lists.some(({ prices }) => prices.has(sku));
    const price = (own ? undefined : known.get(amount)) ?? basePrice(lists, sku, amount as MinorUnits).price;
    if (!own) known.set(amount, price);
    base[position] = price;
  }
  return base;
}

function stretchesNotCarried(assortment: Assortment, regular: Amounts, indexAt: Int32Array): Int32Array {
  const ends: number[] = [];
  if (assortment.ranges) {
    let open = false;
    for (let position = 0; position <= regular.length; position++) {
      const here =
        position < regular.length &&
        (regular[position] === NO_PRICE ||
          !assortment.carries(indexAt[position]!, regular[position] as MinorUnits));
      if (here !== open) ends.push(position);
      open = here;
    }
  }
  return Int32Array.from(ends);
}

function ownPrices(items: readonly Item[]): Map<string, number[]> {
  const owned = new Map<string, number[]>();
  items.forEach(({ prices }, index) => {
    for (const store of prices.stores.keys()) {
      const list = owned.get(store);
      if (list) list.push(index);
      else owned.set(store, [index]);
    }
  });
  return owned;
}

/** The days on which some regular price begins or some item is no longer carried, rising. */
function turningDays(items: readonly Item[]): DayNumber[] {
  const days = new Set<DayNumber>();
  const look = (rows: Item['prices']['chain']) => {
    for (const { since } of rows) if (since !== null) days.add(since);
  };
  for (const { prices, retired } of items) {
    look(prices.chain);
    prices.zones.forEach(look);
    prices.stores.forEach(look);
    if (retired !== null) days.add(retired);
  }
  return [...days].sort((a, b) => a - b);
}

function turnsUntil(turns: readonly number[], day: DayNumber): number {
  let low = 0;
  let high = turns.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (turns[middle]! <= day) low = middle + 1;
    else high = middle;
  }
  return low;
}
