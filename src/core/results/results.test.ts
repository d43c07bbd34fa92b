import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { generatedBasket } from '../../../tests/oracle/generated-baskets.ts';
import { basketOf, basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import { type OfferDocument, type PlanDocument, type PromotionDocument, readPlan } from '../plan/index.ts';
import { compile } from '../price-book/index.ts';
import { type BasketDocument, readBasket, receiptDocument, ringBasket } from '../receipt/index.ts';
import { broughtBy, type ResultKey, resultSums, resultsPlan, type SaleDocument } from './index.ts';

/** What a till writes of a basket that was paid. */
function saleOf(plan: PlanDocument, basket: BasketDocument, more: Partial<SaleDocument> = {}): SaleDocument {
  const compiled = compile(readPlan(plan));
  const read = readBasket(basket, compiled);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const receipt = receiptDocument(ringBasket(compiled, read.basket), compiled.plan.currency);
  const { store, at } = basket;
  return { ...{ sale: 'one', terminal: 't1', store, at, priceFile: 1, basket, receipt }, ...more };
}

const cut = (items: string[], percentOff: number, more: object = {}): OfferDocument =>
  ({ kind: 'priceChange', items: { items }, formula: { percentOff }, ...more }) as OfferDocument;
const ITEMS = {
  x: { prices: [{ price: '10.00' }], cost: '6.00' },
  y: { prices: [{ price: '5.00' }], cost: '4.00' },
  gift: { prices: [{ price: '3.00' }], cost: '1.00' },
  kilo: { prices: [{ price: '8.00' }], cost: '5.00', unit: 'kg' as const },
  dear: { prices: [{ price: '7.00' }] },
};
const threeForTwo: OfferDocument = {
  ...{ kind: 'mixAndMatch', items: { items: ['x'] }, take: 3, rewarded: 1, pick: 'cheapest' },
  value: { percentOff: 10_000 },
} as OfferDocument;
const half: OfferDocument = {
  ...{ kind: 'mixAndMatch', items: { items: ['x'] }, take: 3 },
  value: { percentOff: 5_000 },
} as OfferDocument;
const reward = (more: object = {}): OfferDocument =>
  ({
    kind: 'basketReward',
    threshold: 'subtotal',
    tiers: [{ atLeast: '1.00', percentOff: 1_000 }],
    ...more,
  }) as OfferDocument;

function told(
  promotions: PromotionDocument[],
  sales: (plan: PlanDocument) => SaleDocument[],
  by: ResultKey[] = ['promotion'],
): string[] {
  const plan = basketPlan(ITEMS, promotions);
  const sums = resultSums(resultsPlan(compile(readPlan(plan))), by);
  for (const sale of sales(plan)) sums.add(sale);
  return sums
    .results()
    .map(({ keys, receipts, units, takings, reduction, cost }) =>
      [...Object.values(keys), `${receipts}:`, units, takings, reduction, cost].join(' '),
    );
}
const one =
  (lines: Record<string, number>, more: Partial<BasketDocument> = {}) =>
  (plan: PlanDocument): SaleDocument[] => [saleOf(plan, basketOf(lines, more))];

describe('what a sale brought', () => {
  it.each<[string, PromotionDocument[], Record<string, number>, string[]]>([
    ['nothing where it names nothing', [], { x: 2 }, []],
    [
      'a price change: from the base to what it set',
      [offer('c', cut(['x'], 1_000))],
      { x: 3, y: 1 },
      ['c 1: 3 2700 300 1800'],
    ],
    [
      'one on top of another: each its own step',
      [offer('c', cut(['x'], 2_000)), offer('t', cut(['x'], 1_000, { onTop: true }))],
      { x: 2 },
      ['c 1: 2 1440 400 1200', 't 1: 2 1440 160 1200'],
    ],
    [
      'what is weighed as one unit',
      [offer('c', cut(['kilo'], 1_000))],
      { kilo: 1.5 },
      ['c 1: 1 1080 120 750'],
    ],
    [
      'an offer: the units that it used, not all of the line',
      [offer('b', threeForTwo)],
      { x: 4 },
      ['b 1: 3 2000 1000 1800'],
    ],
    [
      'an offer on tags that a change made',
      [offer('b', threeForTwo), offer('c', cut(['x'], 1_000))],
      { x: 3 },
      ['b 1: 3 1800 900 1800', 'c 1: 3 1800 300 1800'],
    ],
    [
      'a gift at its tag value, with what earned it',
      [
        offer('g', {
          kind: 'freeGoods',
          items: { items: ['x'] },
          count: 'item',
          every: 2,
          free: 1,
          gift: 'gift',
        } as OfferDocument),
      ],
      { x: 2 },
      ['g 1: 3 2000 300 1300'],
    ],
    ['a reward over all of it', [offer('r', reward())], { x: 1, y: 2 }, ['r 1: 3 1800 200 1400']],
    [
      'an offer and a reward on the same units',
      [offer('b', threeForTwo), offer('r', reward())],
      { x: 4 },
      ['b 1: 3 1800 1000 1800', 'r 1: 3 2700 300 1800'],
    ],
    [
      'a reward that passes over what an offer uses',
      [offer('b', half), offer('r', reward({ skipDiscounted: true })), offer('s', reward())],
      { x: 4 },
      ['b 1: 3 1350 1500 1800', 'r 1: 1 800 100 600', 's 1: 4 2150 250 2400'],
    ],
    [
      'the terms of the supplier, of that promotion alone',
      [offer('c', cut(['x'], 1_000), { supplier: { to: '2027-12-31', cost: '5.00' } }), offer('r', reward())],
      { x: 1 },
      ['c 1: 1 810 100 500', 'r 1: 1 810 90 600'],
    ],
  ])('%s', (_, promotions, lines, results) => {
    expect(told(promotions, one(lines))).toEqual(results);
  });

  it('is of no known cost where one of the goods has none', () => {
    expect(told([offer('c', cut(['x', 'dear'], 1_000))], one({ x: 1, dear: 1 }))).toEqual([
      'c 1: 2 1530 170 ',
    ]);
  });

  it('counts of promotions and goods that the plan knows no more', () => {
    const before = basketPlan(ITEMS, [
      offer('c', cut(['x'], 2_000)),
      offer('t', cut(['x'], 1_000, { onTop: true })),
    ]);
    const sale = saleOf(before, basketOf({ x: 1, y: 1 }));
    const { x: _, ...rest } = ITEMS;
    const sums = resultSums(resultsPlan(compile(readPlan(basketPlan(rest, [])))), ['promotion']);
    sums.add(sale);
    // What each of two changes did, only the plan can tell: all of it is the first one's.
    expect(sums.results()).toMatchObject([
      { keys: { promotion: 'c' }, units: 1, takings: 720, reduction: 280, cost: null },
      { keys: { promotion: 't' }, units: 1, takings: 720, reduction: 0, cost: null },
    ]);
  });

  it('tells the steps of changes that are over or switched off since', () => {
    const both = (status: 'approved' | 'archived') =>
      basketPlan(ITEMS, [
        offer('c', cut(['x'], 2_000), { status }),
        offer('t', cut(['x'], 1_000, { onTop: true }), { status }),
      ]);
    const sums = resultSums(resultsPlan(compile(readPlan(both('archived')))), ['promotion']);
    sums.add(saleOf(both('approved'), basketOf({ x: 2 })));
    expect(sums.results().map(({ reduction }) => reduction)).toEqual([400, 160]);
  });
});

describe('sums of sales', () => {
  const promotions = [offer('c', cut(['x'], 1_000)), offer('r', reward())];
  const sales = (plan: PlanDocument) => {
    const basket = basketOf({ x: 1, y: 1 });
    const next = { ...basket, at: '2027-04-15T09:00' };
    return [
      saleOf(plan, basket),
      saleOf(plan, basket, { terminal: 't9' }),
      saleOf(plan, next, { sale: 'two' }),
      saleOf(plan, next, { sale: 'three' }),
    ];
  };
  it('count a sale that comes twice once', () => {
    expect(told(promotions, sales)).toEqual(['c 3: 3 2430 300 1800', 'r 3: 6 3780 420 3000']);
  });
  it('are told apart by what is asked, in that order', () => {
    expect(told(promotions, sales, ['day', 'promotion'])).toEqual([
      expect.stringMatching(/^\S+ c 1: 1 810 100 600$/),
      expect.stringMatching(/^\S+ r 1: 2 1260 140 1000$/),
      '2027-04-15 c 2: 2 1620 200 1200',
      '2027-04-15 r 2: 4 2520 280 2000',
    ]);
    expect(told(promotions, sales, ['item', 'promotion'])).toEqual([
      'x c 3: 3 2430 300 1800',
      'x r 3: 3 2430 270 1800',
      'y r 3: 3 1350 150 1200',
    ]);
  });

  it('name a reward of which no line got anything', () => {
    const sale = (plan: PlanDocument) => {
      const [first] = one({ y: 1 })(plan) as [SaleDocument];
      const rewards = [{ promotion: 'r', measured: '5.00', amount: '0.00' }];
      return [{ ...first, receipt: { ...first.receipt, rewards } }];
    };
    expect(told([], sale)).toEqual(['r 1: 0 0 0 0']);
    expect(told([], sale, ['promotion', 'item'])).toEqual([]);
  });
});

it('whatever is rung: all reductions together lead from base prices to what was paid', () => {
  fc.assert(
    fc.property(generatedBasket({ units: 8, offers: 4 }), ({ plan, lines }) => {
      const whole = {
        ...plan,
        promotions: [...plan.promotions, offer('r', reward({ maxDiscount: '1.37' }))],
      };
      const sale = saleOf(whole, basketOf(lines));
      const parts = broughtBy(sale, resultsPlan(compile(readPlan(whole))));
      const cents = (text: string) => Math.round(Number(text) * 100);
      const owed = sale.receipt.lines.reduce(
        (sum, { base, regular, quantity, net }) =>
          sum + cents(base ?? regular) * Number(quantity) - cents(net),
        0,
      );
      expect(parts.reduce((sum, { reduction }) => sum + reduction, 0)).toBe(owed);
      for (const { promotion, units } of sale.receipt.applications.flatMap(({ promotion, units }) => [
        { promotion, units },
      ])) {
        const used = units.reduce((sum, { quantity }) => sum + quantity, 0);
        const gifts = sale.receipt.lines.filter(
          ({ gift, reductions }) => gift && reductions.some((one) => one.promotion === promotion),
        );
        const given = gifts.reduce((sum, { quantity }) => sum + Number(quantity), 0);
        const own = parts.filter((part) => part.promotion === promotion);
        expect(own.reduce((sum, part) => sum + part.units, 0)).toBe(used + given);
      }
    }),
    { numRuns: 150 },
  );
});
