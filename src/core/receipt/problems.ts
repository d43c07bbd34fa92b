import { giftOf } from '../offer/index.ts';
import type { ReceiptProblem } from './receipt.ts';
import type { Ringing } from './ringing.ts';
import { unitOfferRoom } from './unit-offers.ts';

const PROBLEM_WORDS = {
  'unknown-item': 'nobody knows this item',
  'unknown-store': 'nobody knows this store',
  parent: 'it is sold in its variants only',
  retired: 'it is not sold any more',
  'not-carried': 'the store does not carry it',
  'no-price': 'it has no price here and now',
} as const;

/** Lines that cannot be sold, and gifts that are earned and cannot be given. */
export function problemsOf({ lines, live, goods, units }: Ringing): ReceiptProblem[] {
  const unsold = lines.flatMap(({ of: line, sku, sold }): ReceiptProblem[] =>
    sold.ok
      ? []
      : [{ line, code: sold.problem, message: `${sku} cannot be sold: ${PROBLEM_WORDS[sold.problem]}` }],
  );
  const missing = live.flatMap(({ promotion, fits }): ReceiptProblem[] => {
    const { offer, id } = promotion;
    const gift = giftOf(offer);
    if (gift === null || goods.giftWorth(gift) !== null) return [];
    const room = unitOfferRoom(offer);
    const counted = room.counted!(offer);
    const counts = new Map<string, number>();
    for (const unit of units) {
      if (!fits[0]!(unit)) continue;
      const key = counted.keyOf(unit, goods);
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
    return [...counts.values()].some((count) => room.earnsGift?.(offer, count))
      ? [
          {
            line: null,
            code: 'gift-not-carried',
            message: `${gift} of ${id} is not added: the store does not carry it, or it has no price`,
          },
        ]
      : [];
  });
  return [...unsold, ...missing];
}
