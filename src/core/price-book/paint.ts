import { dayOf } from '../calendar/index.ts';
import { type Amounts, amounts, NO_PRICE } from './amounts.ts';
import type { CompiledPlan } from './compiled-plan.ts';
import type { Ground } from './ground.ts';
import {
  firstFrom,
  forEachCell,
  type Layer,
  layersOf,
  type Stretch,
  TILE,
  type Tiles,
  type Window,
} from './layer.ts';
import type { Live, LiveHere } from './live.ts';
import { lowerPart } from './overlap.ts';
import { answer } from './price-at.ts';

/** One store's prices, by position. */
export interface Row {
  /** Minor units; {@link NO_PRICE} where the item cannot be sold. */
  readonly prices: Amounts;
  readonly regular: Amounts;
  /** Number of the winning change in `changes` of the compiled plan, or -1. */
  readonly winners: Int32Array;
  /** Where is kept what stands in the holes of a stretch while it is written. */
  readonly below: { readonly prices: Amounts; readonly winners: Int32Array };
}

interface Painted {
  readonly number: number;
  readonly tiles: Tiles;
}

/** A store's row as it is to be painted: what lies on what, and no question left that does not depend on the item. */
export interface Palette {
  readonly compiled: CompiledPlan;
  readonly here: LiveHere;
  readonly ground: Ground;
  /** From the last priority to the first; within one by id. */
  readonly equals: readonly (readonly Painted[])[];
  readonly onTop: readonly (Painted & { readonly live: Live })[];
  /** What the store does not carry: from, to, from, to, … */
  hidden(): Int32Array;
}

/** So many at one priority are compared pair by pair, which is found once; more of them cell by cell. */
const PAIRED = 8;
const FEW = 64;

export const emptyRow = (length: number, wide: boolean): Row => ({
  prices: amounts(length, wide),
  regular: amounts(length, wide),
  winners: new Int32Array(length),
  below: { prices: amounts(TILE, wide), winners: new Int32Array(TILE) },
});

export function paletteOf(compiled: CompiledPlan, here: LiveHere): Palette {
  const { store, clock, at, shopper } = here.situation;
  const ground = compiled.grounds.at(store, dayOf(clock.toWall(at)), compiled.listsOf(shopper));
  const painted = ({ change, number }: Live): Painted => ({
    number,
    tiles: layersOf(compiled, change, ground, store),
  });
  return {
    compiled,
    here,
    ground,
    equals: here.equals.map((equals) => equals.map(painted)),
    onTop: here.onTop.map((live) => ({ live, ...painted(live) })),
    hidden: () => ground.hidden(compiled.assortmentOf(store.id)),
  };
}

/**
 * Paints a window of one store's row over what it held: what stands on the ground, what the store does not carry, and
 * last the few items that have a price of their own there.
 */
export function paint(palette: Palette, row: Row, window: Window): void {
  paintGround(palette, row, window);
  hide(palette, row, window);
  paintOwn(palette, row, window);
}

/**
 * As {@link paint}, as if the store carried everything and had no price of its own. Tile by tile: the ground first, then promotion by promotion, from the last priority to the first, each over the one
 * before; then those on top.
 */
export function paintGround(palette: Palette, row: Row, window: Window): void {
  for (let tile = Math.floor(window.from / TILE); tile * TILE < window.to; tile++)
    paintTile(palette, row, tile, {
      from: Math.max(window.from, tile * TILE),
      to: Math.min(window.to, (tile + 1) * TILE),
    });
}

function paintTile(
  { compiled, ground, equals, onTop }: Palette,
  row: Row,
  tile: number,
  window: Window,
): void {
  const { from, to } = window;
  row.prices.set(ground.base.subarray(from, to), from);
  row.regular.set(ground.regular.subarray(from, to), from);
  row.winners.fill(-1, from, to);
  for (const group of equals) {
    if (group.length === 1) {
      const [{ tiles, number }] = group as [Painted];
      const layer = tiles.at(tile);
      if (layer) paintOver(layer, number, row, window);
      continue;
    }
    const here = group.flatMap(({ tiles, number }) => {
      const layer = tiles.at(tile);
      return layer ? [{ layer, number }] : [];
    });
    if (here.length > PAIRED) compareEach(here, row, window, compiled.changes.length);
    else paintPairs(here, ground, row, window);
  }
  for (const { live, tiles } of onTop) {
    const layer = tiles.at(tile);
    if (layer) paintOnTop(compiled, live, layer, ground, row, window);
  }
}

interface Numbered {
  readonly layer: Layer;
  readonly number: number;
}

/** Writes a layer over whatever stands there. */
function paintOver(layer: Layer, number: number, row: Row, { from, to }: Window): void {
  const { prices, winners } = row;
  for (const stretch of layer.stretches) paintStretch(stretch, number, row, { from, to });
  const { positions, amounts } = layer;
  const last = firstFrom(positions, to);
  for (let i = firstFrom(positions, from); i < last; i++) {
    const position = positions[i]!;
    prices[position] = amounts[i]!;
    winners[position] = number;
  }
}

function paintStretch(stretch: Stretch, number: number, row: Row, { from, to }: Window): void {
  const { prices, winners, below } = row;
  const { holes, amounts } = stretch;
  const begin = Math.max(from, stretch.from);
  const end = Math.min(to, stretch.from + amounts.length);
  if (begin >= end) return;
  const first = firstFrom(holes, begin);
  const last = firstFrom(holes, end);
  for (let i = first; i < last; i++) {
    below.prices[i] = prices[holes[i]!]!;
    below.winners[i] = winners[holes[i]!]!;
  }
  const whole = end - begin === amounts.length;
  prices.set(whole ? amounts : amounts.subarray(begin - stretch.from, end - stretch.from), begin);
  winners.fill(number, begin, end);
  for (let i = first; i < last; i++) {
    prices[holes[i]!] = below.prices[i]!;
    winners[holes[i]!] = below.winners[i]!;
  }
}

/** Of equals the lower result counts, then the first id: painted over each other, then put right where they overlap. */
function paintPairs(group: readonly Numbered[], ground: Ground, row: Row, window: Window): void {
  for (let i = group.length - 1; i >= 0; i--) paintOver(group[i]!.layer, group[i]!.number, row, window);
  for (let second = 1; second < group.length; second++)
    for (let first = 0; first < second; first++) {
      const lower = lowerPart(ground, group[first]!.layer, group[second]!.layer);
      if (group.length === 2) paintOver(lower, group[second]!.number, row, window);
      else paintWhereLower(lower, group[second]!.number, row, window);
    }
}

/** At one priority numbers rise with ids, and the seconds come by id: only a lower amount takes over. */
function paintWhereLower(layer: Layer, number: number, { prices, winners }: Row, window: Window): void {
  const put = (position: number, amount: number): void => {
    if (amount >= prices[position]!) return;
    prices[position] = amount;
    winners[position] = number;
  };
  forEachCell(layer, put, window);
}

/** Equals come by priority and id, so a later one takes over only with a lower price. */
function compareEach(
  group: readonly Numbered[],
  { prices, winners }: Row,
  window: Window,
  changes: number,
): void {
  const among = new Uint8Array(changes);
  for (const { layer, number } of group) {
    among[number] = 1;
    const put = (position: number, amount: number): void => {
      const held = winners[position]!;
      if (held !== -1 && among[held] === 1 && amount >= prices[position]!) return;
      prices[position] = amount;
      winners[position] = number;
    };
    forEachCell(layer, put, window);
  }
}

function paintOnTop(
  compiled: CompiledPlan,
  { change }: Live,
  layer: Layer,
  { base }: Ground,
  { prices, winners }: Row,
  window: Window,
): void {
  const table = change.table();
  const step = (position: number): void => {
    const held = winners[position]!;
    if (held !== -1 && compiled.changes[held]!.promotion.alone) return;
    prices[position] = Math.min(prices[position]!, table.step(prices[position]!, base[position]!));
  };
  forEachCell(layer, step, window);
}

function hide(palette: Palette, { prices, regular, winners }: Row, window: Window): void {
  const hidden = palette.hidden();
  for (let i = firstFrom(hidden, window.from) & ~1; i < hidden.length && hidden[i]! < window.to; i += 2) {
    const from = Math.max(window.from, hidden[i]!);
    const to = Math.min(window.to, hidden[i + 1]!);
    // To fill costs a call: a few are written one by one.
    for (let at = from; at < to && to - from < FEW; at++) {
      prices[at] = NO_PRICE;
      regular[at] = NO_PRICE;
      winners[at] = -1;
    }
    if (to - from < FEW) continue;
    prices.fill(NO_PRICE, from, to);
    regular.fill(NO_PRICE, from, to);
    winners.fill(-1, from, to);
  }
}

function paintOwn(palette: Palette, row: Row, window: Window): void {
  eachOwn(palette, window, ({ position, price, regular, winner }) => {
    row.prices[position] = price;
    row.regular[position] = regular;
    row.winners[position] = winner;
  });
}

/** One price in a row. */
export interface OwnPrice {
  readonly position: number;
  readonly price: number;
  readonly regular: number;
  readonly winner: number;
}

/** What has a price of its own in the store is worked out by the rule itself. */
export function eachOwn(
  { compiled, here, ground }: Palette,
  { from, to }: Window,
  visit: (price: OwnPrice) => void,
): void {
  const { situation, equals, onTop } = here;
  const own = ground.ownOf(situation.store.id);
  if (own.length === 0) return;
  const live = [...equals.flat(), ...onTop];
  const numbers = new Map(live.map(({ change, number }) => [change.promotion.id, number]));
  const changes = live.map(({ change }) => change);
  for (const index of own) {
    const position = compiled.grounds.order.positionOf[index]!;
    if (position < from || position >= to) continue;
    const found = answer(compiled, index, situation, () => null, changes);
    const sold = found.kind === 'price';
    visit({
      position,
      price: sold ? found.price : NO_PRICE,
      regular: sold ? found.regular.price : NO_PRICE,
      winner: sold && found.winner ? numbers.get(found.winner.promotion)! : -1,
    });
  }
}
