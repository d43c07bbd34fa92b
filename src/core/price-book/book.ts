import { dayOf, type Instant } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Item, StoreDocument } from '../plan/index.ts';
import { basePrice, listPrice, onTopOrder, priorityFirst, type Shopper } from '../tag-price/index.ts';
import { barOf, type Situation } from './bar.ts';
import type { CompiledChange, CompiledPlan } from './compiled-plan.ts';
import { linePrice, listsFor, type PriceQuestion, situationOf } from './price-at.ts';
import { NO_PRICE } from './shelf.ts';

/** The prices of many items at many stores: row by row of stores, in each the items as asked. */
export interface Book {
  /** Minor units; {@link NO_PRICE} where the item cannot be sold. */
  readonly prices: Float64Array;
  readonly regular: Float64Array;
  /** Number of the winning change in `changes` of the compiled plan, or -1. */
  readonly winners: Int32Array;
}

/**
 * The fast form of `priceAt`, without the story: the same rule, and a generated test holds the two equal. A store's
 * row is painted promotion by promotion over all its items; what a formula makes of an amount is looked up.
 * @param items numbers in the catalogue; absent: all.
 * @param through the channel and the terminal that ask; absent: the till, and none that is named.
 */
export function book(
  compiled: CompiledPlan,
  at: Instant,
  stores: readonly string[],
  items?: readonly number[],
  shopper: Shopper = { kind: 'guest' },
  through: Pick<PriceQuestion, 'channel' | 'terminal'> = {},
): Book {
  const all = compiled.catalogue.items.length;
  const columns = items?.length ?? all;
  const result: Book = {
    prices: new Float64Array(stores.length * columns).fill(NO_PRICE),
    regular: new Float64Array(stores.length * columns).fill(NO_PRICE),
    winners: new Int32Array(stores.length * columns).fill(-1),
  };
  const row = { prices: new Float64Array(all), winners: new Int32Array(all) };
  stores.forEach((id, r) => {
    const store = compiled.stores.get(id);
    if (!store) return;
    const shelf = paint(compiled, situationOf(compiled, store, { at, shopper, ...through }), row);
    copy(result, r * columns, items, { ...row, regular: shelf });
  });
  return result;
}

function copy(to: Book, offset: number, items: readonly number[] | undefined, row: Book): void {
  for (const key of ['prices', 'regular', 'winners'] as const) {
    if (!items) to[key].set(row[key], offset);
    else
      items.forEach((index, column) => {
        to[key][offset + column] = row[key][index]!;
      });
  }
}

interface Live {
  readonly change: CompiledChange;
  readonly number: number;
}

interface Row {
  readonly prices: Float64Array;
  /** -1 where nothing has set the price. */
  readonly winners: Int32Array;
}

/** What a store's row is painted over: its regular prices, and what this shopper pays of them. */
interface Before {
  readonly store: StoreDocument;
  readonly shelf: Float64Array;
  readonly base: Float64Array;
}

/** Paints one store's row. @returns its regular prices. */
function paint(compiled: CompiledPlan, situation: Situation, row: Row): Float64Array {
  const shelf = compiled.shelf(situation.store, dayOf(situation.clock.toWall(situation.at)));
  const base = baseRow(compiled, situation.shopper, shelf);
  row.prices.set(base);
  row.winners.fill(-1);
  const live = compiled.changes
    .map((change, number) => ({ change, number }))
    .filter(({ change }) => barOf(change, situation) === null)
    .sort((a, b) => onTopOrder(a.change.promotion, b.change.promotion));
  for (const entry of live)
    if (!entry.change.promotion.offer.onTop)
      paintChange(compiled, entry, { store: situation.store, shelf, base }, row);
  for (const { change } of live)
    if (change.promotion.offer.onTop) paintOnTop(compiled, change, shelf, base, row);
  return shelf;
}

function baseRow(compiled: CompiledPlan, shopper: Shopper, shelf: Float64Array): Float64Array {
  const lists = listsFor(compiled, shopper);
  if (lists.length === 0) return shelf;
  return shelf.map((regular, index) =>
    regular === NO_PRICE
      ? NO_PRICE
      : basePrice(lists, compiled.catalogue.items[index]!.sku, regular as MinorUnits).price,
  );
}

/** Calls `work` with the number of each item that is selected and can be sold. */
function forSelected(change: CompiledChange, shelf: Float64Array, work: (index: number) => void): void {
  const numbers = change.numbers();
  if (numbers) {
    for (let i = 0; i < numbers.length; i++) if (shelf[numbers[i]!] !== NO_PRICE) work(numbers[i]!);
    return;
  }
  const selection = change.selection();
  shelf.forEach((regular, index) => {
    if (regular !== NO_PRICE && selection.has(index, regular as MinorUnits)) work(index);
  });
}

/** Changes come by priority and id, so a later one takes over only with a lower price, at equal priority or by policy. */
function paintChange(
  compiled: CompiledPlan,
  { change, number }: Live,
  before: Before,
  { prices, winners }: Row,
): void {
  const { shelf, base } = before;
  const { priority, offer } = change.promotion;
  const byPriority = compiled.order === priorityFirst;
  const resultOf = resultFor(compiled, change, before);
  forSelected(change, shelf, (index) => {
    const held = winners[index]!;
    if (held !== -1 && byPriority && compiled.changes[held]!.promotion.priority !== priority) return;
    const result = resultOf(index);
    if (result === null || (result > base[index]! && !offer.mayRaise)) return;
    if (held !== -1 && result >= prices[index]!) return;
    prices[index] = result;
    winners[index] = number;
  });
}

/** What the change makes of an item; null where it has no cost, no list price or no line price to work from. */
function resultFor(
  compiled: CompiledPlan,
  change: CompiledChange,
  { store, shelf, base }: Before,
): (index: number) => number | null {
  const { offer } = change.promotion;
  const { items } = compiled.catalogue;
  const table = change.table();
  const basisOf = basisFor(compiled, change, shelf, base);
  const lineOf = (item: Item) => linePrice(offer, item, store, compiled.catalogue);
  return (index) => {
    const line = lineOf(items[index]!);
    if (line !== undefined) return line;
    const basis = offer.formula ? basisOf(index) : null;
    return basis === null ? null : table.result(basis);
  };
}

function basisFor(
  compiled: CompiledPlan,
  { promotion: { offer } }: CompiledChange,
  shelf: Float64Array,
  base: Float64Array,
): (index: number) => number | null {
  const { items } = compiled.catalogue;
  const basis = offer.formula?.basis ?? 'base';
  if (basis === 'base') return (index) => base[index]!;
  if (basis === 'regular') return (index) => shelf[index]!;
  if (basis === 'cost') return (index) => items[index]!.cost;
  const list = compiled.priceLists.get(basis.priceList)!;
  return (index) => listPrice(list, items[index]!.sku, shelf[index] as MinorUnits);
}

function paintOnTop(
  compiled: CompiledPlan,
  change: CompiledChange,
  shelf: Float64Array,
  base: Float64Array,
  { prices, winners }: Row,
): void {
  const table = change.table();
  forSelected(change, shelf, (index) => {
    const held = winners[index]!;
    if (held !== -1 && compiled.changes[held]!.promotion.alone) return;
    prices[index] = Math.min(prices[index]!, table.step(prices[index]!, base[index]!));
  });
}
