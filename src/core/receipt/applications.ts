import type { Promotion } from '../plan/index.ts';
import type { Applied } from './applied.ts';
import type { LiveOffer } from './offers-in-basket.ts';
import type { Receipt } from './receipt.ts';

/** What each promotion was applied to and saved, in the order of priority and id. */
export function applicationsOf(
  applied: readonly Applied[],
  live: readonly LiveOffer[],
): Receipt['applications'] {
  const promotions = new Map<string, Promotion>(live.map(({ promotion }) => [promotion.id, promotion]));
  const byPromotion = new Map<string, Applied[]>();
  for (const one of applied)
    byPromotion.set(one.offer.name, [...(byPromotion.get(one.offer.name) ?? []), one]);
  return [...byPromotion]
    .map(([promotion, all]) => {
      const lines = new Map<number, number>();
      let saving = 0;
      for (const { units, prices, gifts } of all) {
        saving += gifts;
        units.forEach(({ line, tag }, i) => {
          lines.set(line, (lines.get(line) ?? 0) + 1);
          saving += tag - prices[i]!;
        });
      }
      return {
        promotion,
        times: all.reduce((sum, { times }) => sum + times, 0),
        units: [...lines].sort(([a], [b]) => a - b).map(([line, quantity]) => ({ line, quantity })),
        saving,
      };
    })
    .sort((a, b) => {
      const [one, other] = [promotions.get(a.promotion)!, promotions.get(b.promotion)!];
      return one.priority - other.priority || (one.id < other.id ? -1 : 1);
    });
}
