import fc from 'fast-check';
import { expect, test } from 'vitest';
import { basketOf, basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import { type OfferDocument, type PromotionDocument, readPlan } from '../plan/index.ts';
import { compile } from '../price-book/index.ts';
import { type BasketDocument, readBasket, ringBasket, savedBy } from './index.ts';

const price = (percentOff: number, more: object = {}): OfferDocument => ({
  ...{ kind: 'priceChange', items: { items: ['x'] }, formula: { percentOff } },
  ...more,
});
const bundle: OfferDocument = {
  ...{ kind: 'mixAndMatch', items: { items: ['y'] }, take: 2, value: { total: '7.00' } },
};
const gift: OfferDocument = {
  ...{
    kind: 'freeGoods',
    items: { items: ['y'] },
    count: 'item',
    every: 2,
    free: 1,
    parts: 'whole',
    gift: 'x',
  },
};
const reward: OfferDocument = {
  ...{ kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '1.00', percentOff: 1_000 }] },
};
const delivery: OfferDocument = { kind: 'deliveryReward', value: { free: true } };

function rung(
  promotions: PromotionDocument[],
  lines: Record<string, number | string>,
  more: Partial<BasketDocument> = {},
) {
  const weighed = { kilo: { unit: 'kg' as const, prices: [{ price: '3.00' }] } };
  const compiled = compile(readPlan(basketPlan({ x: '10.00', y: '5.00', ...weighed }, promotions)));
  const read = readBasket(basketOf(lines, more), compiled);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return ringBasket(compiled, read.basket);
}

test.each<[string, PromotionDocument[], Record<string, number | string>, Record<string, number>]>([
  ['a price change, unit by unit', [offer('p', price(1_000))], { x: 3 }, { p: 300 }],
  [
    'a price change of what is weighed',
    [offer('p', price(5_000, { items: { items: ['kilo'] } }))],
    { kilo: '0.500' },
    { p: 75 },
  ],
  ['a bundle', [offer('b', bundle)], { y: 3 }, { b: 300 }],
  ['a gift, at its tag', [offer('g', gift)], { y: 2, x: 1 }, { g: 1_000 }],
  ['a reward on what is left', [offer('b', bundle), offer('r', reward)], { y: 2 }, { b: 300, r: 70 }],
  ['one that takes nothing off', [offer('b', bundle), offer('n', bundle)], { y: 1 }, { b: 0, n: 0 }],
  [
    'of two on one price the one that set it',
    [offer('p', price(1_000)), offer('t', price(1_000, { onTop: true }))],
    { x: 1 },
    { p: 190, t: 0 },
  ],
  ['one on top of the regular price', [offer('t', price(1_000, { onTop: true }))], { x: 1 }, { t: 100 }],
  [
    'one that raises a price',
    [offer('p', price(-1_000, { mayRaise: true, formula: { setTo: '12.00' } }))],
    { x: 1 },
    { p: 0 },
  ],
])('is told of %s', (_, promotions, lines, saved) => {
  const receipt = rung(promotions, lines);
  expect(Object.fromEntries(Object.keys(saved).map((id) => [id, savedBy(receipt, id)]))).toEqual(saved);
});

test('is told of what delivery costs less', () => {
  const receipt = rung([offer('d', delivery)], { x: 1 }, { delivery: { way: 'van', charge: '4.90' } });
  expect(savedBy(receipt, 'd')).toBe(490);
});

test('of all promotions together it is the way from regular prices to what is paid', () => {
  const all = [offer('p', price(1_500)), offer('b', bundle), offer('r', reward), offer('d', delivery)];
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 1, max: 9 }), (x, y) => {
      const lines = { ...(x > 0 ? { x } : {}), y };
      const receipt = rung(all, lines, { delivery: { way: 'van', charge: '4.90' } });
      const saved = all.reduce((sum, { id }) => sum + savedBy(receipt, id), 0);
      expect(saved).toBe(x * 1_000 + y * 500 + 490 - receipt.total);
    }),
    { numRuns: 40 },
  );
});
