import type { Instant } from '../calendar/index.ts';
import type { Shopper } from '../tag-price/index.ts';
import { type Amounts, amounts, NO_PRICE } from './amounts.ts';
import type { CompiledPlan } from './compiled-plan.ts';
import type { Window } from './layer.ts';
import { type Asked, liveBy } from './live.ts';
import { numbering } from './numbering.ts';
import {
  eachOwn,
  emptyRow,
  type OwnPrice,
  type Palette,
  paint,
  paintGround,
  paletteOf,
  type Row,
} from './paint.ts';
import type { PriceQuestion } from './price-at.ts';

/** The prices of many items at many stores: row by row of stores, in each the items as asked. */
export interface Book {
  /** Minor units; {@link NO_PRICE} where the item cannot be sold. */
  readonly prices: Amounts;
  readonly regular: Amounts;
  /** Number of the winning change in `changes` of the compiled plan, or -1. */
  readonly winners: Int32Array;
}

/**
 * The fast form of `priceAt`, without the story: the same rule, and a generated test holds the two equal.
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
  const { wide, order } = compiled.grounds;
  const positions = items ? items.map((index) => order.positionOf[index]!) : order.positionOf;
  const columns = positions.length;
  const size = stores.length * columns;
  const result: Book = {
    prices: amounts(size, wide).fill(NO_PRICE),
    regular: amounts(size, wide).fill(NO_PRICE),
    winners: new Int32Array(size).fill(-1),
  };
  eachRow(compiled, { at, shopper, through }, stores, (row, number) => {
    const offset = number * columns;
    for (let column = 0; column < columns; column++) {
      const position = positions[column]!;
      result.prices[offset + column] = row.prices[position]!;
      result.regular[offset + column] = row.regular[position]!;
      result.winners[offset + column] = row.winners[position]!;
    }
  });
  return result;
}

/**
 * Paints the row of each store that there is, in the order of `grounds.order`, and shows it: the row is used again for
 * the next store. All of a large chain is never held at once.
 * @param windows where rows are wanted; what lies outside is of no meaning. Absent: everywhere.
 */
export function eachRow(
  compiled: CompiledPlan,
  asked: Asked,
  stores: readonly string[],
  visit: (row: Row, number: number) => void,
  windows?: readonly Window[],
): void {
  const painter = rowPainter(compiled, asked);
  stores.forEach((id, number) => {
    const row = painter.row(id, windows);
    if (row) visit(row, number);
  });
}

/** The rows of a chain at one moment, one store after another over the same memory. */
export interface RowPainter {
  /**
   * A store's row; null where there is no such store.
   * @param windows as of {@link eachRow}.
   */
  row(store: string, windows?: readonly Window[]): Row | null;
  /** As if the store carried everything and had no prices of its own. */
  plainRow(store: string, windows?: readonly Window[]): Row | null;
  /** What a store does not carry of its plain row, in stretches: from, to, from, to, … */
  hiddenIn(store: string): Int32Array;
  /** What it has prices of its own for, by position: they stand in the place of what the plain row has, hidden or not. */
  ownIn(store: string): ReadonlyMap<number, OwnPrice>;
  /** Stores of one kind have one and the same plain row, which is known without painting any. */
  kindOf(store: string): string;
}

const NOTHING = new Int32Array();
const NONE: ReadonlyMap<number, OwnPrice> = new Map();

export function rowPainter(compiled: CompiledPlan, asked: Asked): RowPainter {
  const length = compiled.catalogue.items.length;
  const row = emptyRow(length, compiled.grounds.wide);
  const paletteAt = keeping(palettes(compiled, asked));
  const whole = { from: 0, to: length };
  const numberOf = numbering();
  const painted =
    (how: typeof paint) =>
    (store: string, windows: readonly Window[] = [whole]): Row | null => {
      const palette = paletteAt(store);
      if (!palette) return null;
      for (const window of windows) how(palette, row, window);
      return row;
    };
  return {
    row: painted(paint),
    plainRow: painted(paintGround),
    hiddenIn: (store) => paletteAt(store)?.hidden() ?? NOTHING,
    ownIn: keeping((store) => {
      const palette = paletteAt(store);
      if (!palette || palette.ground.ownOf(store).length === 0) return NONE;
      const own = new Map<number, OwnPrice>();
      eachOwn(palette, whole, (price) => own.set(price.position, price));
      return own;
    }),
    kindOf(store) {
      const palette = paletteAt(store);
      if (!palette) return 'none';
      const { ground, equals, onTop } = palette;
      const layers = [...equals, onTop].map((group) => group.map(({ tiles }) => numberOf(tiles)));
      return `${numberOf(ground)} ${JSON.stringify(layers)}`;
    },
  };
}

function keeping<T>(work: (store: string) => T): (store: string) => T {
  const kept = new Map<string, T>();
  return (store) => {
    const found = kept.get(store) ?? work(store);
    kept.set(store, found);
    return found;
  };
}

function palettes(compiled: CompiledPlan, asked: Asked): (store: string) => Palette | null {
  const liveAt = liveBy(compiled, asked);
  return (id) => (compiled.stores.has(id) ? paletteOf(compiled, liveAt(id)) : null);
}
