import type { Applied } from './applied.ts';
import type { LiveOffer } from './offers-in-basket.ts';
import type { Piece } from './piece.ts';

/** The pieces as unit offers leave them. */
export function piecesAfter(
  pieces: readonly Piece[],
  applied: readonly Applied[],
  live: readonly LiveOffer[],
): Piece[] {
  const alone = new Set(live.filter(({ promotion }) => promotion.alone).map(({ promotion }) => promotion.id));
  const changed = new Map<number, { paid: number; alone: boolean }>();
  for (const { offer, units, prices } of applied)
    units.forEach(({ position }, i) => {
      changed.set(position, { paid: prices[i]!, alone: alone.has(offer.name) });
    });
  return pieces.map((piece) => {
    const change = changed.get(piece.position);
    return change ? { ...piece, paid: change.paid, alone: piece.alone || change.alone } : piece;
  });
}
