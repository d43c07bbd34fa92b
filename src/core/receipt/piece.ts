import { fromPieces, type PricedLine } from './priced-lines.ts';

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
  return fromPieces(
    lines,
    ({ item, regular, base, tag, alone, amount, reduced }, { position, line, weighed }) => {
      const piece = { position, line, item, regular, alone };
      if (!weighed) return { ...piece, base, tag, paid: tag };
      // Only whether the price was reduced is asked of a weighed line's base.
      return { ...piece, base: reduced ? amount + 1 : amount, tag: amount, paid: amount };
    },
  );
}
