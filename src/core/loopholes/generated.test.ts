import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { basketPlan, compiledOf, offer } from '../../../tests/plans/basket-plan.ts';
import { change } from '../../../tests/plans/small-plan.ts';
import type { PromotionDocument } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { type Basket, ringBasket } from '../receipt/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { findLoopholes } from './index.ts';

const SKUS = ['a', 'b', 'c', 'd', 'e'];
const UNITS = 4;
const EMPTY: Basket = {
  ...{
    id: null,
    store: 'shop',
    at: Date.parse('2027-03-01T12:00Z') as never,
    channel: 'till',
    terminal: null,
  },
  ...{ shopper: GUEST, history: null, codes: [], usesSoFar: new Map(), payment: null, delivery: null },
  ...{ region: null, postcode: null, linkTag: null, lines: [] },
};
const DUO = { items: ['a', 'b', 'c'] };
const REST = { items: ['c', 'd'] };

const offers = fc.constantFrom<PromotionDocument['offer']>(
  { kind: 'mixAndMatch', items: DUO, take: 3, rewarded: 1, pick: 'cheapest', value: { percentOff: 10_000 } },
  { kind: 'mixAndMatch', items: DUO, take: 2, value: { total: '3.00' } },
  {
    kind: 'mixAndMatch',
    buy: [{ items: DUO, quantity: 1 }],
    get: { items: REST, quantity: 1 },
    value: { percentOff: 5_000 },
  },
  { kind: 'quantityBreak', items: { all: true }, count: 'item', tiers: [{ atLeast: 2, percentOff: 3_000 }] },
  { kind: 'quantityBreak', items: REST, count: 'set', tiers: [{ atLeast: 3, each: '1.00' }] },
  { kind: 'freeGoods', items: DUO, count: 'set', every: 2, free: 1, parts: 'whole', gift: 'e' },
  {
    kind: 'combo',
    slots: [
      { name: 'One', items: DUO, quantity: 1 },
      { name: 'Two', items: REST, quantity: 1 },
    ],
    value: { total: '2.50' },
  },
  { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '6.00', amountOff: '2.00' }] },
  { kind: 'basketReward', items: REST, threshold: 'units', tiers: [{ atLeast: 2, percentOff: 2_000 }] },
);
/** What rewards and automata know beside that: what they share out, leave out, and do not stand with. */
const odder = fc.constantFrom<PromotionDocument['offer']>(
  { kind: 'mixAndMatch', items: DUO, take: 2, value: { amountOff: '1.50' } },
  { kind: 'mixAndMatch', items: DUO, take: 2, rewarded: 1, pick: 'dearest', value: { percentOff: 5_000 } },
  { kind: 'quantityBreak', items: DUO, count: 'item', tiers: [{ atLeast: 2, amountOffEach: '0.70' }] },
  { kind: 'freeGoods', items: REST, count: 'item', every: 2, free: 1, parts: 'prorated' },
  {
    ...{ kind: 'basketReward', threshold: 'subtotal', combinesWith: 'none' },
    tiers: [
      { atLeast: '4.00', percentOff: 1_000 },
      { atLeast: '9.00', percentOff: 2_500 },
    ],
  },
  {
    ...{ kind: 'basketReward', threshold: 'subtotal', skipDiscounted: true, maxDiscount: '1.20' },
    tiers: [{ atLeast: '3.00', percentOff: 1_500 }],
  },
  {
    ...{ kind: 'basketReward', items: DUO, threshold: 'units', measure: 'before' },
    tiers: [{ atLeast: 3, amountOff: '1.00' }],
  },
  {
    kind: 'basketReward',
    items: REST,
    threshold: 'subtotal',
    tiers: [{ atLeast: '5.00', amountOff: '2.00' }],
  },
);
const promotions = fc
  .array(fc.tuple(offers, fc.constantFrom<string | null>(null, null, 'CODE')), { minLength: 1, maxLength: 3 })
  .map((all) => all.map(([one, code], i) => offer(`o${i}`, one, code ? { codes: [code] } : {})));
const oddPromotions = fc
  .array(
    fc.tuple(fc.oneof(offers, odder), fc.boolean(), fc.boolean(), fc.constantFrom(undefined, undefined, 1)),
    { minLength: 1, maxLength: 3 },
  )
  .map((all) =>
    all.map(([one, alone, base, limit], i) =>
      offer(`o${i}`, one, {
        ...(one.kind === 'basketReward' || one.kind === 'deliveryReward'
          ? {}
          : { alone, ...(base ? { startsFrom: 'base' } : {}), ...(limit ? { limitPerBasket: limit } : {}) }),
      }),
    ),
  );
const cents = fc.integer({ min: 50, max: 600 });
const plansWith = (all: typeof promotions) =>
  fc
    .tuple(all, fc.array(fc.tuple(cents, cents), { minLength: 5, maxLength: 5 }), fc.boolean())
    .map(([all, prices, cheaper]) =>
      compiledOf(
        basketPlan(
          Object.fromEntries(
            SKUS.map((sku, i) => [
              sku,
              {
                cost: (Math.min(...prices[i]!) / 100).toFixed(2),
                prices: [{ price: (Math.max(...prices[i]!) / 100).toFixed(2) }],
              },
            ]),
          ),
          [
            ...all,
            ...(cheaper
              ? [change('p', { items: { items: ['b', 'e'] }, formula: { percentOff: 4_000 } })]
              : []),
          ],
        ),
      ),
    );

const plans = plansWith(promotions);

/** Every basket of at most so many units, whatever is in it, with and without the code. */
function leastOfAll(plan: CompiledPlan): number {
  let least = Number.POSITIVE_INFINITY;
  const visit = (at: number, left: number, counts: readonly number[]): void => {
    if (at < SKUS.length) {
      for (let count = 0; count <= left; count++) visit(at + 1, left - count, [...counts, count]);
      return;
    }
    if (counts.every((count) => count === 0)) return;
    const lines = SKUS.flatMap((sku, i) =>
      counts[i]! > 0 ? [{ sku, thousandths: counts[i]! * 1_000 }] : [],
    );
    for (const codes of [[], ['CODE']]) {
      const receipt = ringBasket(plan, { ...EMPTY, codes, lines });
      const cost = receipt.lines.reduce((sum, { sku, thousandths }) => {
        const item = plan.catalogue.items[plan.catalogue.indexOf.get(sku)!]!;
        return sum + ((item.cost ?? 0) * thousandths) / 1_000;
      }, 0);
      least = Math.min(least, receipt.goods - cost);
    }
  };
  visit(0, UNITS, []);
  return least;
}

describe('the basket that leaves the least', () => {
  it('is the one that trying every basket finds, and is proved', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const circumstances = { ...EMPTY, codes: ['CODE'] };
        const { found, looked } = findLoopholes(plan, { circumstances, units: UNITS });
        expect(looked).toMatchObject({ units: UNITS, proved: true, bound: null });
        const least = leastOfAll(plan);
        expect(found[0]?.margin).toBe(least);
      }),
      { numRuns: 15 },
    );
  });

  it('never leaves less than the automata of its offers say, and mostly just that', () => {
    let proved = 0;
    const runs = 25;
    fc.assert(
      fc.property(plansWith(oddPromotions), (plan) => {
        const { found, looked } = findLoopholes(plan, { circumstances: EMPTY, units: UNITS, budget: 0 });
        const least = leastOfAll(plan);
        if (looked.proved) proved += 1;
        if (looked.proved) expect(found[0]!.margin).toBe(least);
        else expect(looked.bound).toBeLessThanOrEqual(least);
      }),
      { numRuns: runs, seed: 5 },
    );
    expect(proved / runs).toBeGreaterThan(0.8);
  });

  it('is told once for each set of promotions, with what rings it, and never with a unit too many', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const { found } = findLoopholes(plan, { circumstances: { ...EMPTY, codes: ['CODE'] }, units: UNITS });
        const sets = found.map(({ promotions: ids }) => ids.join());
        expect(new Set(sets).size).toBe(sets.length);
        expect(found.map(({ margin }) => margin)).toEqual(
          found.map(({ margin }) => margin).sort((a, b) => a - b),
        );
        for (const { basket, goods, cost, margin, units } of found) {
          expect(ringBasket(plan, basket).goods).toBe(goods);
          expect(margin).toBe(goods - cost);
          expect(basket.lines.reduce((sum, { thousandths }) => sum + thousandths, 0)).toBe(units * 1_000);
        }
      }),
      { numRuns: 12 },
    );
  });

  it('is told with how much lower it may be, where gifts that are worth nothing cannot be counted', () => {
    const items = SKUS.map((sku, i) => [
      sku,
      { cost: '1.00', prices: [{ price: sku === 'e' ? '0.00' : `${i + 1}.50` }] },
    ]);
    const gift = {
      kind: 'freeGoods',
      items: DUO,
      count: 'set',
      every: 3,
      free: 1,
      parts: 'whole',
      gift: 'e',
    };
    const plan = compiledOf(basketPlan(Object.fromEntries(items), [offer('gift', gift as never)]));
    const { found, looked } = findLoopholes(plan, { circumstances: EMPTY, units: 9, budget: 60 });
    expect(looked.proved).toBe(false);
    expect(found[0]!.margin).toBeLessThanOrEqual(-900);
    expect(looked.bound).toBeLessThan(found[0]!.margin);
  });

  it('is proved among forty goods in ten offers and a reward, twelve units at a time', () => {
    const skus = Array.from({ length: 40 }, (_, i) => `g${String(i).padStart(2, '0')}`);
    const items = skus.map((sku, i) => [
      sku,
      { cost: `${1 + (i % 7)}.${10 + i}`, prices: [{ price: `${2 + (i % 9)}.${50 + i}` }] },
    ]);
    const some = (from: number) => ({ items: skus.slice(from * 3, from * 3 + 12) });
    const deals = Array.from({ length: 10 }, (_, i): PromotionDocument['offer'] => {
      const of = some(i);
      if (i % 3 === 0) return { kind: 'mixAndMatch', items: of, take: 3, value: { percentOff: 2_000 } };
      if (i % 3 === 1)
        return {
          ...{ kind: 'mixAndMatch', items: of, take: 3, rewarded: 1 },
          ...{ pick: 'cheapest', value: { percentOff: 10_000 } },
        };
      return { kind: 'quantityBreak', items: of, count: 'set', tiers: [{ atLeast: 4, percentOff: 2_500 }] };
    });
    const reward = {
      ...{ kind: 'basketReward', threshold: 'subtotal' },
      tiers: [{ atLeast: '30.00', amountOff: '5.00' }],
    };
    const plan = compiledOf(
      basketPlan(Object.fromEntries(items), [
        ...deals.map((deal, i) => offer(`d${i}`, deal)),
        offer('reward', reward as never),
      ]),
    );
    const { found, looked } = findLoopholes(plan, { circumstances: EMPTY, units: 12, budget: 300 });
    expect(looked).toMatchObject({ proved: true, bound: null, units: 12 });
    expect(found[0]!.margin).toBeLessThan(0);
    expect(ringBasket(plan, found[0]!.basket).goods).toBe(found[0]!.goods);
  });
});
