import type { Instant } from '../calendar/index.ts';
import type { Shopper } from '../tag-price/index.ts';
import { type Amounts, amounts, NO_PRICE } from './amounts.ts';
import type { CompiledPlan } from './compiled-plan.ts';
import type { Window } from './layer.ts';
import { type Asked, liveBy } from './live.ts';
import { emptyRow, type Palette, paint, paletteOf, type Row } from './paint.ts';
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
  const rowOf = rowPainter(compiled, asked);
  stores.forEach((id, number) => {
    const row = rowOf(id, windows);
    if (row) visit(row, number);
  });
}

export interface RowPainter {
  /**
   * A store's row, painted over the row before; null where there is no such store.
   * @param windows as of {@link eachRow}.
   */
  (store: string, windows?: readonly Window[]): Row | null;
  /** Stores of one kind have one and the same row, which is known without painting any. */
  kindOf(store: string): string;
}

export function rowPainter(compiled: CompiledPlan, asked: Asked): RowPainter {
  const length = compiled.catalogue.items.length;
  const row = emptyRow(length, compiled.grounds.wide);
  const paletteAt = palettes(compiled, asked);
  const everywhere = [{ from: 0, to: length }];
  const numberOf = numbers();
  const paintRow = (store: string, windows: readonly Window[] = everywhere) => {
    const palette = paletteAt(store);
    if (!palette) return null;
    for (const window of windows) paint(palette, row, window);
    return row;
  };
  const kindOf = (store: string): string => {
    const palette = paletteAt(store);
    if (!palette) return 'none';
    const { ground, equals, onTop, hidden } = palette;
    if (ground.ownOf(store).length > 0) return `alone ${store}`;
    const layers = [
      ...equals.map((group) => group.map(({ tiles }) => numberOf(tiles))),
      onTop.map(({ tiles }) => numberOf(tiles)),
    ];
    return `${numberOf(ground)} ${numberOf(hidden)} ${JSON.stringify(layers)}`;
  };
  return Object.assign(paintRow, { kindOf });
}

function palettes(compiled: CompiledPlan, asked: Asked): (store: string) => Palette | null {
  const liveAt = liveBy(compiled, asked);
  return (id) => (compiled.stores.has(id) ? paletteOf(compiled, liveAt(id)) : null);
}

/** A number for each object, the same one for the same object. */
function numbers(): (of: object) => number {
  const known = new Map<object, number>();
  return (of) => {
    const found = known.get(of) ?? known.size;
    known.set(of, found);
    return found;
  };
}
