import type { Instant } from '../calendar/index.ts';
import { type MinorUnits, minorUnits } from '../money/index.ts';
import {
  basePrice,
  onTopOrder,
  type Ranked,
  type Shopper,
  type Starting,
  stepOnTop,
  workOut,
} from '../tag-price/index.ts';
import { barOf, type Situation } from './bar.ts';
import type { CompiledChange, CompiledPlan } from './compiled-plan.ts';
import { listsFor, sellable, situationOf, startingOf } from './price-at.ts';

/** The prices of many items at many stores: row by row of stores, in each the items as asked. */
export interface Book {
  /** Minor units; {@link NO_PRICE} where the item cannot be sold. */
  readonly prices: Float64Array;
  readonly regular: Float64Array;
  /** Number of the winning change in `changes` of the compiled plan, or -1. */
  readonly winners: Int32Array;
}

export const NO_PRICE = -1;

/**
 * The fast form of `priceAt`, without the story: the same rule, and a generated test holds the two equal.
 * @param items numbers in the catalogue; absent: all.
 */
export function book(
  compiled: CompiledPlan,
  at: Instant,
  stores: readonly string[],
  items: readonly number[] = compiled.catalogue.items.map((_, index) => index),
  shopper: Shopper = { kind: 'guest' },
): Book {
  const size = stores.length * items.length;
  const result: Book = {
    prices: new Float64Array(size).fill(NO_PRICE),
    regular: new Float64Array(size).fill(NO_PRICE),
    winners: new Int32Array(size).fill(-1),
  };
  stores.forEach((id, row) => {
    const store = compiled.stores.get(id);
    if (store)
      fillStore(compiled, situationOf(compiled, store, { at, shopper }), items, result, row * items.length);
  });
  return result;
}

interface Live {
  readonly change: CompiledChange;
  readonly number: number;
}

function fillStore(
  compiled: CompiledPlan,
  situation: Situation,
  items: readonly number[],
  result: Book,
  offset: number,
): void {
  const lists = listsFor(compiled, situation.shopper);
  const live = compiled.changes
    .map((change, number) => ({ change, number }))
    .filter(({ change }) => barOf(change, situation) === null);
  const onTop = live
    .filter(({ change }) => change.promotion.offer.onTop)
    .sort((a, b) => onTopOrder(a.change.promotion, b.change.promotion));
  const setting = live.filter(({ change }) => !change.promotion.offer.onTop);
  items.forEach((index, column) => {
    const regular = sellable(compiled, situation, index);
    if (typeof regular === 'string') return;
    const item = compiled.catalogue.items[index]!;
    const base = basePrice(lists, item.sku, regular.price).price;
    const starting = startingOf(compiled, item, regular.price, base);
    const winner = pick(compiled, setting, index, starting);
    const cell = offset + column;
    result.regular[cell] = regular.price;
    result.winners[cell] = winner?.number ?? -1;
    result.prices[cell] = winner?.alone
      ? winner.result
      : runOnTop(onTop, index, starting, winner?.result ?? base);
  });
}

type Best = Ranked & { readonly number: number; readonly alone: boolean };

function pick(
  compiled: CompiledPlan,
  setting: readonly Live[],
  index: number,
  starting: Starting,
): Best | null {
  let best: Best | null = null;
  for (const { change, number } of setting) {
    if (!change.selection().has(index, starting.regular)) continue;
    const { id, priority, alone, offer } = change.promotion;
    const worked = workOut(offer, starting);
    if ('reason' in worked) continue;
    const next: Best = { id, priority, alone, number, result: worked.working.result };
    if (!best || compiled.order(next, best) < 0) best = next;
  }
  return best;
}

function runOnTop(onTop: readonly Live[], index: number, starting: Starting, from: MinorUnits): MinorUnits {
  let price: number = from;
  for (const { change } of onTop) {
    if (!change.selection().has(index, starting.regular)) continue;
    price = Math.min(price, stepOnTop(change.promotion.offer, minorUnits(price), starting.base));
  }
  return minorUnits(price);
}
