import type { MinorUnits } from '../money/index.ts';
import type { Item, StoreDocument } from '../plan/index.ts';
import type { ItemSelection } from '../selection/index.ts';
import { listPrice } from '../tag-price/index.ts';
import { type Amounts, amounts, NO_PRICE } from './amounts.ts';
import type { CompiledChange, CompiledPlan } from './compiled-plan.ts';
import type { Ground } from './ground.ts';
import { linePrice } from './line-price.ts';

/** Amounts that stand at positions one after another, but for a few holes, where what lies below stays. */
export interface Stretch {
  readonly from: number;
  /** Of no meaning at the holes. */
  readonly amounts: Amounts;
  /** Positions, rising. */
  readonly holes: Int32Array;
}

/**
 * What one price change makes of one tile of a ground: its result for every item for which it is a candidate, by
 * position. Long stretches are written at once, what stands alone one by one.
 */
export interface Layer {
  readonly stretches: readonly Stretch[];
  readonly positions: Int32Array;
  readonly amounts: Amounts;
}

/**
 * Items that are painted together: a tile of a row and the layers over it stay in the processor's cache. Measured from
 * 4,096 to 50,000 at the large chain; 8,192 was quickest.
 */
export const TILE = 8_192;
/** To write a stretch costs two calls of 100 to 150 ns: below this length it is cheaper one by one. */
const LONG = 96;
/** A hole costs about 8 ns, which is less than to begin anew unless there are so many in a row. */
const GAP = 24;

/** The layers of a change over a ground, each made when it is first asked for. */
export interface Tiles {
  readonly count: number;
  /** Null where the change selects nothing of the tile. */
  at(tile: number): Layer | null;
}

/** The layers of a change at a store, kept with the ground. */
export function layersOf(
  compiled: CompiledPlan,
  change: CompiledChange,
  ground: Ground,
  store: StoreDocument,
): Tiles {
  type Kept = Map<string, Tiles>;
  const kept = (ground.kept.get(change) as Kept | undefined) ?? (new Map() as Kept);
  ground.kept.set(change, kept);
  const own = change.promotion.offer.linePrices.stores.has(store.id);
  const key = own ? store.id : '';
  const found = kept.get(key) ?? tilesOf(compiled, change, ground, own ? store : ground.store);
  kept.set(key, found);
  return found;
}

function tilesOf(
  compiled: CompiledPlan,
  change: CompiledChange,
  ground: Ground,
  store: StoreDocument,
): Tiles {
  const count = Math.ceil(ground.regular.length / TILE);
  const made: (Layer | null | undefined)[] = Array.from({ length: count }, () => undefined);
  let layer: ((tile: number) => Layer | null) | undefined;
  return {
    count,
    at(tile) {
      if (made[tile] === undefined) {
        layer ??= layerMaker(compiled, change, ground, store);
        made[tile] = layer(tile);
      }
      return made[tile]!;
    },
  };
}

function layerMaker(
  compiled: CompiledPlan,
  change: CompiledChange,
  ground: Ground,
  store: StoreDocument,
): (tile: number) => Layer | null {
  const { regular, base } = ground;
  const { indexAt } = compiled.grounds.order;
  const { mayRaise, onTop } = change.promotion.offer;
  const selection = change.selection();
  const chosen = selection.asksPrices ? null : maskOf(selection, compiled.catalogue.items.length);
  const resultOf = onTop ? () => 0 : resultFor(compiled, change, ground, store);
  return (tile) => {
    const positions: number[] = [];
    const results: number[] = [];
    const end = Math.min((tile + 1) * TILE, regular.length);
    for (let position = tile * TILE; position < end; position++) {
      const shelf = regular[position]!;
      const index = indexAt[position]!;
      if (shelf === NO_PRICE) continue;
      if (chosen ? chosen[index] !== 1 : !selection.has(index, shelf as MinorUnits)) continue;
      const result = resultOf(index, position);
      if (result === null || (result > base[position]! && !mayRaise)) continue;
      positions.push(position);
      results.push(result);
    }
    return positions.length === 0 ? null : laidOut(positions, results, compiled.grounds.wide);
  };
}

/** By how much it would raise the price of each item for which its result is above the base, by position. */
export function raisedOn(
  compiled: CompiledPlan,
  change: CompiledChange,
  ground: Ground,
  store: StoreDocument,
): Map<number, number> {
  const { regular, base } = ground;
  const raised = new Map<number, number>();
  if (change.promotion.offer.onTop) return raised;
  const { indexAt, positionOf } = compiled.grounds.order;
  const selection = change.selection();
  const resultOf = resultFor(compiled, change, ground, store);
  const chosen = selection.numbers()?.map((index) => positionOf[index]!) ?? positionOf;
  for (const position of chosen) {
    const shelf = regular[position]!;
    if (shelf === NO_PRICE || !selection.has(indexAt[position]!, shelf as MinorUnits)) continue;
    const result = resultOf(indexAt[position]!, position);
    if (result !== null && result > base[position]!) raised.set(position, result - base[position]!);
  }
  return raised;
}

function maskOf(selection: ItemSelection, length: number): Uint8Array {
  const mask = new Uint8Array(length);
  for (const index of selection.numbers()!) mask[index] = 1;
  return mask;
}

/** @param positions rising. */
export function laidOut(positions: readonly number[], results: readonly number[], wide: boolean): Layer {
  const stretches: Stretch[] = [];
  const alone: number[] = [];
  for (let begin = 0, end = 0; begin < positions.length; begin = end) {
    end = begin + 1;
    while (end < positions.length && positions[end]! - positions[end - 1]! <= GAP) end += 1;
    if (end - begin >= LONG) stretches.push(stretch(positions, results, { begin, end, wide }));
    else for (let at = begin; at < end; at++) alone.push(at);
  }
  const single = amounts(alone.length, wide);
  single.set(alone.map((at) => results[at]!));
  return { stretches, positions: Int32Array.from(alone, (at) => positions[at]!), amounts: single };
}

function stretch(
  positions: readonly number[],
  results: readonly number[],
  { begin, end, wide }: { readonly begin: number; readonly end: number; readonly wide: boolean },
): Stretch {
  const from = positions[begin]!;
  const all = amounts(positions[end - 1]! + 1 - from, wide);
  const holes: number[] = [];
  for (let at = begin, position = from; at < end; position++) {
    if (positions[at] === position) all[position - from] = results[at++]!;
    else holes.push(position);
  }
  return { from, amounts: all, holes: Int32Array.from(holes) };
}

/** Positions from one on up to another, without it. */
export interface Window {
  readonly from: number;
  readonly to: number;
}

const EVERYWHERE: Window = { from: 0, to: Number.POSITIVE_INFINITY };

export function forEachCell(
  { stretches, positions, amounts }: Layer,
  visit: (position: number, amount: number) => void,
  { from, to }: Window = EVERYWHERE,
): void {
  for (const stretch of stretches) {
    const end = Math.min(to, stretch.from + stretch.amounts.length);
    let position = Math.max(from, stretch.from);
    let hole = firstFrom(stretch.holes, position);
    for (; position < end; position++)
      if (stretch.holes[hole] === position) hole += 1;
      else visit(position, stretch.amounts[position - stretch.from]!);
  }
  const last = firstFrom(positions, to);
  for (let i = firstFrom(positions, from); i < last; i++) visit(positions[i]!, amounts[i]!);
}

/** The place of the first one at or after a position. */
export function firstFrom(positions: Int32Array, from: number): number {
  let low = 0;
  let high = positions.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (positions[middle]! < from) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** What the change makes of an item; null where it has no cost, no list price or no line price to work from. */
function resultFor(
  compiled: CompiledPlan,
  change: CompiledChange,
  ground: Ground,
  store: StoreDocument,
): (index: number, position: number) => number | null {
  const { offer } = change.promotion;
  const { items } = compiled.catalogue;
  const table = change.table();
  const basisOf = basisFor(compiled, change, ground);
  const { everywhere, zones, stores } = offer.linePrices;
  const lineOf =
    everywhere.size + zones.size + stores.size === 0
      ? () => undefined
      : (item: Item) => linePrice(offer, item, store, compiled.catalogue);
  return (index, position) => {
    const line = lineOf(items[index]!);
    if (line !== undefined) return line;
    const basis = offer.formula ? basisOf(index, position) : null;
    return basis === null ? null : table.result(basis);
  };
}

function basisFor(
  compiled: CompiledPlan,
  { promotion: { offer } }: CompiledChange,
  { regular, base }: Ground,
): (index: number, position: number) => number | null {
  const { items } = compiled.catalogue;
  const basis = offer.formula?.basis ?? 'base';
  if (basis === 'base') return (_, position) => base[position]!;
  if (basis === 'regular') return (_, position) => regular[position]!;
  if (basis === 'cost') return (index) => items[index]!.cost;
  const list = compiled.priceLists.get(basis.priceList)!;
  return (index, position) => listPrice(list, items[index]!.sku, regular[position] as MinorUnits);
}
