import type { PricedLine } from '../priced-lines.ts';

/** What a reward counts as one unit: a piece, or a whole weighed line. Amounts are minor units. */
export interface Piece {
  readonly position: number;
  readonly line: number;
  readonly item: number;
  readonly regular: number;
  readonly base: number;
  /** At the tag price. */
  readonly tag: number;
  /** What is to be paid for it after unit offers. */
  readonly paid: number;
  /** Its price, or an offer that uses it, stands alone. */
  readonly alone: boolean;
}

/** A price change or an offer made it cheaper; a price list does not count as that. */
export const isDiscounted = ({ base, tag, paid }: Piece): boolean =>
  paid < tag || (tag < base && paid < base);

/** The pieces of all lines that can be sold, at their tag prices. */
export function piecesOf(lines: readonly PricedLine[]): Piece[] {
  const pieces: Piece[] = [];
  let position = 0;
  lines.forEach(({ sold, weighed, thousandths }, line) => {
    if (!sold.ok) return;
    const { item, regular, base, tag, alone, amount, reduced } = sold;
    if (weighed) {
      // Only whether the price was reduced is asked of a weighed line's base.
      pieces.push({
        position: position++,
        line,
        item,
        regular,
        base: reduced ? amount + 1 : amount,
        tag: amount,
        paid: amount,
        alone,
      });
      return;
    }
    for (let piece = 0; piece < thousandths; piece += 1_000)
      pieces.push({ position: position++, line, item, regular, base, tag, paid: tag, alone });
  });
  return pieces;
}
