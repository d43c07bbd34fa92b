import type { Promotion } from '../plan/index.ts';
import type { Good } from './deal-goods.ts';

export const PICKS = ['cheapest', 'middle', 'dearest', 'mixed'] as const;
/** Which goods of a deal a sample basket holds. */
export type Pick = (typeof PICKS)[number];

/** A basket by which a deal can be judged: so many units of a kind of its goods. */
export interface SampleBasket {
  readonly pick: Pick;
  readonly lines: readonly { readonly sku: string; readonly quantity: number }[];
}

type Parts = readonly (readonly Good[])[];
type Lines = SampleBasket['lines'];

/** No basket of more units is made up: a reward that is so far away tells no more with it. */
const MOST_UNITS = 500;

/**
 * Baskets that show a deal at each of its steps, with the goods in the middle of its prices, or at one step with the
 * cheapest, the middle and the dearest of them. Empty where the store sells nothing of a part.
 */
export function sampleBaskets({ offer }: Promotion, parts: Parts): SampleBasket[] {
  if (parts.some((goods) => goods.length === 0)) return [];
  const [goods] = parts as readonly [readonly Good[]];
  const middle = goodAt(goods, 'middle', 0);
  const steps = (counts: readonly number[]) => counts.map((count) => basket('middle', [[middle, count]]));
  switch (offer.kind) {
    case 'quantityBreak':
      return steps([1, ...offer.tiers.map(({ atLeast }) => atLeast).filter((count) => count > 1)]);
    case 'freeGoods': {
      const first = Math.ceil(offer.minimum / offer.every) * offer.every;
      return steps([first, first + offer.every, first + 2 * offer.every]);
    }
    case 'basketReward':
      return steps(offer.tiers.map(({ atLeast }) => unitsFor(offer.threshold, atLeast, middle)));
    case 'deliveryReward':
      return steps([offer.subtotal === null ? 1 : unitsFor('subtotal', offer.subtotal, middle)]);
    case 'bundle':
      return picked(parts, [offer.take]);
    case 'rewardUnit':
      return picked(parts, [offer.take]);
    case 'combo':
      return picked(
        parts,
        offer.slots.map(({ quantity }) => quantity),
      );
    case 'buyAndGet':
      return picked(parts, [...offer.buy.map(({ quantity }) => quantity), offer.get.quantity]);
    case 'priceChange':
      return [];
  }
}

function unitsFor(threshold: 'subtotal' | 'units', atLeast: number, { tag }: Good): number {
  const units = threshold === 'units' ? atLeast : Math.ceil(atLeast / Math.max(1, tag));
  return Math.min(MOST_UNITS, Math.max(1, units));
}

/** So many units of each part: all the cheapest, the middle, the dearest, and one of each in turn. */
function picked(parts: Parts, counts: readonly number[]): SampleBasket[] {
  const all = PICKS.map((pick) =>
    basket(
      pick,
      parts.flatMap((goods, part) =>
        Array.from({ length: counts[part]! }, (_, nth): [Good, number] => [
          goodAt(goods, pick, part + nth),
          1,
        ]),
      ),
    ),
  );
  const seen = new Set<string>();
  return all.filter(({ lines }) => {
    const key = JSON.stringify(lines);
    return !seen.has(key) && seen.add(key);
  });
}

const TURN = ['dearest', 'middle', 'cheapest'] as const;

function goodAt(goods: readonly Good[], pick: Pick, nth: number): Good {
  if (pick === 'mixed') return goodAt(goods, TURN[nth % TURN.length]!, nth);
  const at = { cheapest: 0, middle: Math.floor((goods.length - 1) / 2), dearest: goods.length - 1 }[pick];
  return goods[at]!;
}

/** One line for each good, in the order of their first unit. */
function basket(pick: Pick, goods: readonly (readonly [Good, number])[]): SampleBasket {
  const counts = new Map<string, number>();
  for (const [{ sku }, count] of goods) counts.set(sku, (counts.get(sku) ?? 0) + count);
  return { pick, lines: [...counts].map(([sku, quantity]): Lines[number] => ({ sku, quantity })) };
}
