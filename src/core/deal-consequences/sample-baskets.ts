import type { BasketOfferPromotion } from '../price-book/index.ts';
import { judgedRoom } from '../receipt/index.ts';
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
export function sampleBaskets({ offer }: BasketOfferPromotion, parts: Parts): SampleBasket[] {
  if (parts.some((goods) => goods.length === 0)) return [];
  const trial = judgedRoom(offer).trials(offer);
  if (trial.of === 'parts') return picked(parts, trial.counts);
  const [goods] = parts as readonly [readonly Good[]];
  const middle = goodAt(goods, 'middle', 0);
  const counts =
    trial.of === 'units' ? trial.counts : trial.amounts.map((amount) => unitsWorth(amount, middle));
  return counts.map((count) => basket('middle', [[middle, count]]));
}

const unitsWorth = (amount: number, { tag }: Good): number =>
  Math.min(MOST_UNITS, Math.max(1, Math.ceil(amount / Math.max(1, tag))));

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
