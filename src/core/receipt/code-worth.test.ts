import { describe, expect, it } from 'vitest';
import { basketOf, basketPlan, compiledOf, offer } from '../../../tests/plans/basket-plan.ts';
import { parseBasket } from '../../contracts/index.ts';
import type { PromotionDocument } from '../plan/index.ts';
import { codeWorth, ring, ringBasket } from './index.ts';

const two = { kind: 'mixAndMatch', items: { all: true }, take: 2, value: { total: '7.00' } } as const;
const tenth: PromotionDocument['offer'] = {
  kind: 'basketReward',
  threshold: 'subtotal',
  tiers: [{ atLeast: '1.00', percentOff: 1_000 }],
};
const change = { kind: 'priceChange', items: { all: true }, formula: { percentOff: 1_000 } } as const;
const withCodes = (id: string, of: PromotionDocument['offer'], codes: string[]): PromotionDocument => ({
  ...offer(id, of as never),
  codes,
});

describe('what a code brings to a basket', () => {
  it.each<[string, PromotionDocument[], number]>([
    ['is the offer that it opens', [withCodes('a', two, ['A'])], 300],
    ['is the reward that it opens', [withCodes('a', tenth, ['A'])], 100],
    ['is the price change that it opens', [withCodes('a', change, ['A'])], 100],
    ['is nothing where another code opens the same', [withCodes('a', two, ['A', 'B'])], 0],
    [
      'is the difference to what is given without it',
      [withCodes('a', two, ['A']), offer('b', { ...two, value: { total: '8.00' } } as never)],
      100,
    ],
    ['is all that it opens together', [withCodes('a', two, ['A']), withCodes('c', tenth, ['A'])], 370],
  ])('%s', (_, promotions, saves) => {
    const compiled = compiledOf(basketPlan({ x: '5.00' }, promotions));
    const basketWith = (codes: string[]) => {
      const parsed = parseBasket({ ...basketOf({ x: 2 }), codes }, compiled);
      if (!parsed.ok) throw new Error('a basket with faults');
      return parsed.basket;
    };
    const basket = basketWith(['A', 'B']);
    const best = ring(compiled, basket);
    expect(codeWorth(compiled, basket, best, 'A', 1_000_000)).toEqual({ code: 'A', saves });
    expect(ringBasket(compiled, basketWith(['B'])).total - best.receipt.total).toBe(saves);
  });
});
