import type { MinorUnits } from '../money/index.ts';
import {
  type Amounts,
  amounts,
  type CompiledChange,
  type CompiledPlan,
  forEachCell,
  type Ground,
  layersOf,
  NO_PRICE,
} from '../price-book/index.ts';
import type { StoryPlace } from './place.ts';

/** What a change makes of goods: by their places among those that are asked for, rising. */
export interface Cells {
  readonly goods: Int32Array;
  readonly amounts: Amounts;
}

/** What tag prices stand on while no regular price changes, and what each change would make of it. */
export interface Footing {
  /** Minor units, by good; `NO_PRICE` where it cannot be sold. */
  readonly regular: Amounts;
  readonly base: Amounts;
  cellsOf(change: number): Cells;
  /** Whether two changes would price some good both. */
  meets(a: number, b: number): boolean;
}

export function footingOf(
  compiled: CompiledPlan,
  { store }: StoryPlace,
  changes: readonly CompiledChange[],
  ground: Ground,
  goods: Int32Array,
): Footing {
  const { positionOf } = compiled.grounds.order;
  const { wide } = compiled.grounds;
  const regular = amounts(goods.length, wide).fill(NO_PRICE);
  const base = amounts(goods.length, wide).fill(NO_PRICE);
  const goodAt = new Int32Array(ground.regular.length).fill(-1);
  goods.forEach((index, good) => {
    const position = positionOf[index]!;
    const price = ground.regular[position]!;
    if (price === NO_PRICE || !compiled.carries(store.id, index, price as MinorUnits)) return;
    regular[good] = price;
    base[good] = ground.base[position]!;
    goodAt[position] = good;
  });
  const known: Cells[] = [];
  const cellsOf = (number: number): Cells => {
    known[number] ??= cellsIn(compiled, changes[number]!, ground, store, goodAt);
    return known[number];
  };
  return { regular, base, cellsOf, meets: meeting(changes.length, goods.length, cellsOf) };
}

function cellsIn(
  compiled: CompiledPlan,
  change: CompiledChange,
  ground: Ground,
  store: StoryPlace['store'],
  goodAt: Int32Array,
): Cells {
  const tiles = layersOf(compiled, change, ground, store);
  const goods: number[] = [];
  const results: number[] = [];
  const put = (position: number, amount: number): void => {
    const good = goodAt[position]!;
    if (good === -1) return;
    goods.push(good);
    results.push(amount);
  };
  for (let tile = 0; tile < tiles.count; tile++) {
    const layer = tiles.at(tile);
    if (layer) forEachCell(layer, put);
  }
  const all = amounts(results.length, compiled.grounds.wide);
  all.set(results);
  return { goods: Int32Array.from(goods), amounts: all };
}

/** Asked for the same pairs by group after group of stores: found once for each. */
function meeting(
  changes: number,
  goods: number,
  cellsOf: (change: number) => Cells,
): (a: number, b: number) => boolean {
  let known: Uint8Array | undefined;
  const marked = new Int32Array(goods);
  let mark = 0;
  return (a, b) => {
    known ??= new Uint8Array(changes * changes);
    const at = a * changes + b;
    if (known[at] === 0) {
      mark += 1;
      for (const good of cellsOf(a).goods) marked[good] = mark;
      known[at] = cellsOf(b).goods.some((good) => marked[good] === mark) ? 2 : 1;
    }
    return known[at] === 2;
  };
}
