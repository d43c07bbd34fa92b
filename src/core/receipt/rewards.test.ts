import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { basketOf, basketPlan, offer, ring } from '../../../tests/plans/basket-plan.ts';
import type { ItemRule, OfferDocument, PromotionDocument } from '../plan/index.ts';
import type { BasketDocument } from './index.ts';

type Reward = Extract<OfferDocument, { kind: 'basketReward' }>;
const reward = (id: string, more: Partial<Reward>, promotion: Partial<PromotionDocument> = {}) =>
  offer(id, { kind: 'basketReward', threshold: 'subtotal', tiers: [], ...more } as Reward, promotion);
const ITEMS = { x: '10.00', y: '5.00', loose: { unit: 'kg' as const, prices: [{ price: '8.00' }] } };
const TEN = [{ atLeast: '20.00', percentOff: 1_000 }];

describe('a basket reward', () => {
  it.each<[string, Partial<Reward>, Record<string, number | string>, string]>([
    ['under its threshold gives nothing', { tiers: TEN }, { x: 1 }, '0.00'],
    ['at its threshold counts', { tiers: TEN }, { x: 2 }, '2.00'],
    [
      'gives its highest tier',
      { tiers: [...TEN, { atLeast: '30.00', amountOff: '7.00' }] },
      { x: 3 },
      '7.00',
    ],
    ['takes at most what it may', { tiers: TEN, maxDiscount: '1.50' }, { x: 3 }, '1.50'],
    [
      'counts only its goods',
      { items: { items: ['y'] }, tiers: [{ atLeast: '5.00', percentOff: 5_000 }] },
      { x: 3, y: 1 },
      '2.50',
    ],
    [
      'takes no more than its goods cost',
      { items: { items: ['y'] }, tiers: [{ atLeast: '5.00', amountOff: '9.00' }] },
      { x: 3, y: 1 },
      '5.00',
    ],
    [
      'by units counts pieces',
      { threshold: 'units', tiers: [{ atLeast: 3, amountOff: '1.00' }] },
      { x: 2, y: 1 },
      '1.00',
    ],
    [
      'counts a weighed line as one unit',
      { threshold: 'units', tiers: [{ atLeast: 3, amountOff: '1.00' }] },
      { x: 2, loose: '0.750' },
      '1.00',
    ],
    [
      'takes its part of a weighed line',
      { tiers: [{ atLeast: '1.00', percentOff: 1_000 }] },
      { loose: '0.742' },
      '0.59',
    ],
    [
      'rounds its reduction half away',
      { tiers: [{ atLeast: '1.00', percentOff: 1_250 }] },
      { loose: '0.375' },
      '0.38',
    ],
  ])('%s', (_, more, lines, saving) => {
    const receipt = ring(basketPlan(ITEMS, [reward('r', more)]), basketOf(lines));
    expect(receipt.saving).toBe(saving);
  });

  it.each<[string, object, Partial<BasketDocument>, boolean]>([
    ['payment', { payments: ['card'] }, { payment: 'card' }, true],
    ['payment', { payments: ['card'] }, {}, false],
    ['delivery', { deliveries: ['post'] }, { delivery: { way: 'post', charge: '3.00' } }, true],
    ['region', { regions: ['Coast'] }, { region: 'Heath' }, false],
    ['postcode', { postcodes: ['28', '29'] }, { postcode: '29011' }, true],
    ['postcode', { postcodes: ['28'] }, {}, false],
    ['link', { linkTags: ['letter'] }, { linkTag: 'letter' }, true],
    ['weight', { minWeight: '0.5' }, {}, true],
    ['weight', { maxWeight: '0.5' }, {}, false],
    ['past orders of a guest', { maxPastOrders: 0 }, {}, false],
    ['a first purchase', { maxPastOrders: 0 }, { shopper: {} }, true],
    ['past orders', { minPastOrders: 3 }, { shopper: { pastOrders: 2 } }, false],
    ['spend', { minLifetimeSpend: '100.00' }, { shopper: { lifetimeSpend: '100.00' } }, true],
  ])('asks about %s: %j with %j', (_, conditions, more, given) => {
    const plan = basketPlan({ x: { weight: '0.300', prices: [{ price: '10.00' }] } }, [
      reward('r', { tiers: TEN, conditions }),
    ]);
    expect(ring(plan, basketOf({ x: 2 }, more)).rewards).toHaveLength(given ? 1 : 0);
  });

  it('does not count what stands alone, nor what is reduced where it says so', () => {
    const cheap = offer('pc', {
      kind: 'priceChange',
      items: { items: ['x'] },
      formula: { percentOff: 1_000 },
    });
    const all = reward('r', { tiers: [{ atLeast: '1.00', percentOff: 1_000 }], skipDiscounted: true });
    expect(ring(basketPlan(ITEMS, [cheap, all]), basketOf({ x: 1, y: 1 })).rewards).toMatchObject([
      { measured: '5.00', amount: '0.50' },
    ]);
    const alone = basketPlan(ITEMS, [
      { ...cheap, alone: true },
      reward('r', { tiers: [{ atLeast: '1.00', percentOff: 1_000 }] }),
    ]);
    expect(ring(alone, basketOf({ x: 1, y: 1 })).rewards).toMatchObject([{ measured: '5.00' }]);
  });

  it.each<[string, Reward['combinesWith'], Reward['combinesWith'], string[]]>([
    ['both admit all', 'all', 'all', ['a', 'b']],
    ['one does not admit the other', ['c'], 'all', ['b']],
    ['both name each other', ['b'], ['a'], ['a', 'b']],
    ['one admits nothing, and saves less', 'none', 'all', ['b']],
  ])('beside another: %s', (_, one, other, given) => {
    const plan = basketPlan(ITEMS, [
      reward('a', { tiers: [{ atLeast: '1.00', percentOff: 1_000 }], combinesWith: one! }),
      reward('b', { tiers: [{ atLeast: '1.00', percentOff: 2_000 }], combinesWith: other! }),
      reward('c', { tiers: [{ atLeast: '900.00', percentOff: 2_000 }] }),
    ]);
    expect(ring(plan, basketOf({ x: 1 })).rewards.map(({ promotion }) => promotion)).toEqual(given);
  });
});

describe('several rewards', () => {
  const IDS = ['r0', 'r1', 'r2', 'r3', 'r4'];
  const one = fc.record({
    items: fc.constantFrom<ItemRule>({ all: true }, { items: ['x'] }, { items: ['y'] }),
    percentOff: fc.integer({ min: 500, max: 6_000 }),
    priority: fc.integer({ min: 1, max: 3 }),
    combinesWith: fc.oneof(fc.constant('all' as const), fc.subarray(IDS)),
  });

  it('stand together in the set that saves most of all that are allowed', () => {
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 5 }), (made) => {
        const admits = (a: number, b: number) =>
          made[a]!.combinesWith === 'all' || made[a]!.combinesWith.includes(IDS[b]!);
        const rung = (of: readonly number[], alone: boolean) => {
          const promotions = of.map((i) => {
            const { items, percentOff, priority, combinesWith } = made[i]!;
            const offered = {
              kind: 'basketReward' as const,
              items,
              threshold: 'subtotal' as const,
              tiers: [{ atLeast: '0.01', percentOff }],
              combinesWith: alone ? ('all' as const) : combinesWith,
            };
            return offer(IDS[i]!, offered, { priority });
          });
          const known = { promotions: [...promotions, ...unused(of)] };
          return Number(ring({ ...basketPlan(ITEMS, []), ...known }, basketOf({ x: 2, y: 1 })).saving);
        };
        // Names in a list have to be those of promotions.
        const unused = (of: readonly number[]) =>
          IDS.filter((id) => !of.some((i) => IDS[i] === id)).map((id) =>
            offer(
              id,
              {
                kind: 'basketReward',
                threshold: 'subtotal',
                tiers: [{ atLeast: '900.00', amountOff: '1.00' }],
              },
              { status: 'draft' },
            ),
          );
        const all = made.map((_, i) => i);
        const allowed = Array.from({ length: 2 ** made.length }, (_, set) =>
          all.filter((i) => (set >> i) % 2 === 1),
        ).filter((set) => set.every((a) => set.every((b) => a === b || admits(a, b))));
        expect(rung(all, false)).toBe(Math.max(...allowed.map((set) => rung(set, true))));
      }),
      { numRuns: 60 },
    );
  });

  it('twenty that all admit each other are all given, without trying every set of them', () => {
    const many = Array.from({ length: 20 }, (_, i) =>
      offer(`r${i}`, {
        kind: 'basketReward',
        threshold: 'subtotal',
        tiers: [{ atLeast: '1.00', amountOff: '0.10' }],
      }),
    );
    expect(ring(basketPlan(ITEMS, many), basketOf({ x: 1 })).saving).toBe('2.00');
  });
});

describe('delivery', () => {
  const post = { delivery: { way: 'post', charge: '4.90' } };
  const free = (more: object = {}) =>
    offer('d', { kind: 'deliveryReward', value: { free: true }, conditions: { subtotal: '20.00' }, ...more });
  it.each<[string, PromotionDocument[], Record<string, number>, string, string | undefined]>([
    ['is charged', [], { x: 1 }, '14.90', undefined],
    ['is free from a subtotal on', [free()], { x: 2 }, '20.00', 'd'],
    ['is charged below it', [free()], { x: 1 }, '14.90', undefined],
    ['is charged for a heavy piece', [free({ maxItemWeight: '0.2' })], { x: 2 }, '24.90', undefined],
    ['is charged for another way', [free({ ways: ['courier'] })], { x: 2 }, '24.90', undefined],
    [
      'takes the reward that saves most',
      [free(), offer('e', { kind: 'deliveryReward', value: { flat: '1.00' } })],
      { x: 1 },
      '11.00',
      'e',
    ],
  ])('%s', (_, promotions, lines, total, promotion) => {
    const plan = basketPlan({ x: { weight: '0.300', prices: [{ price: '10.00' }] } }, promotions);
    const receipt = ring(plan, basketOf(lines, post));
    expect(receipt.total).toBe(total);
    expect(receipt.delivery?.promotion).toBe(promotion);
  });
});

describe('codes and limits', () => {
  const coded = (more: Partial<PromotionDocument> = {}) =>
    offer(
      'c',
      { kind: 'priceChange', items: { all: true }, formula: { percentOff: 1_000 } },
      {
        codes: ['SPRING', 'LEAF'],
        ...more,
      },
    );
  it.each<[string, Partial<PromotionDocument>, Partial<BasketDocument>, object, string]>([
    ['without it', {}, {}, [], '10.00'],
    ['with it', {}, { codes: ['SPRING'] }, [{ code: 'SPRING', accepted: true }], '9.00'],
    [
      'unknown',
      {},
      { codes: ['AUTUMN'] },
      [{ accepted: false, reason: 'no promotion has this code' }],
      '10.00',
    ],
    [
      'used up by its limit',
      { uses: { perCode: 3 } },
      { codes: ['LEAF'], usesSoFar: { 'code:LEAF': 3 } },
      [{ accepted: false, reason: 'it was used as often as it may be' }],
      '10.00',
    ],
    [
      'used by others, not by this one',
      { uses: { perCode: 3 } },
      { codes: ['LEAF'], usesSoFar: { 'code:SPRING': 3 } },
      [{ accepted: true }],
      '9.00',
    ],
    [
      'typed in another way of writing',
      { uses: { perCode: 4 } },
      { codes: ['le-af', 'LEAF '], usesSoFar: { 'code:leaf': 2, 'code:LEAF': 1 } },
      [{ code: 'le-af', accepted: true }],
      '9.00',
    ],
    [
      'used up, in another way of writing',
      { uses: { perCode: 3 } },
      { codes: ['leaf'], usesSoFar: { 'code:leaf': 2, 'code:LEAF': 1 } },
      [{ code: 'leaf', accepted: false }],
      '10.00',
    ],
    [
      'over',
      { when: { from: '2027-01-01T00:00', to: '2027-02-01T00:00' } },
      { codes: ['LEAF'] },
      [{ accepted: false, reason: 'its promotion is over' }],
      '10.00',
    ],
  ])('a code %s', (_, promotion, basket, codes, total) => {
    const receipt = ring(basketPlan({ x: '10.00' }, [coded(promotion)]), basketOf({ x: 1 }, basket));
    expect(receipt.codes).toMatchObject(codes);
    expect(receipt.total).toBe(total);
  });

  it('a promotion without a code is used up as well', () => {
    const plan = basketPlan({ x: '10.00' }, [coded({ codes: [], uses: { inAll: 5 } })]);
    expect(ring(plan, basketOf({ x: 1 }, { usesSoFar: { c: 4 } })).total).toBe('9.00');
    expect(ring(plan, basketOf({ x: 1 }, { usesSoFar: { c: 5 } })).total).toBe('10.00');
  });

  it('a shopper has a limit of their own', () => {
    const plan = basketPlan({ x: '10.00' }, [coded({ codes: [], uses: { perShopper: 1 } })], {
      shoppers: [{ id: 'ann' }, { id: 'bo' }],
    });
    const of = (shopper: string) =>
      ring(plan, basketOf({ x: 1 }, { shopper, usesSoFar: { 'c@ann': 1 } })).total;
    expect([of('ann'), of('bo')]).toEqual(['10.00', '9.00']);
  });

  it('a shopper of whom only a card is known has a limit of their own, too', () => {
    const plan = basketPlan({ x: '10.00' }, [coded({ codes: [], uses: { perShopper: 1 } })]);
    const of = (shopper: BasketDocument['shopper']) =>
      ring(plan, basketOf({ x: 1 }, { ...(shopper ? { shopper } : {}), usesSoFar: { 'c@card-7': 1 } })).total;
    expect([of({ id: 'card-7' }), of({ id: 'card-8' }), of({}), of(undefined)]).toEqual([
      ...['10.00', '9.00', '9.00', '9.00'],
    ]);
  });

  it('a card that the plan knows stands for its shopper, and what is said of them goes before', () => {
    const mine = coded({ codes: [], who: { groups: ['members'] } });
    const plan = basketPlan({ x: '10.00' }, [mine], {
      shopperGroups: [{ id: 'members', name: 'Members' }],
      shoppers: [{ id: 'ann', groups: ['members'] }],
    });
    const of = (shopper: BasketDocument['shopper'] & object) =>
      ring(plan, basketOf({ x: 1 }, { shopper })).total;
    expect([of({ id: 'ann' }), of({ id: 'ann', groups: [] }), of({ id: 'bo' })]).toEqual([
      '9.00',
      '10.00',
      '10.00',
    ]);
  });
});

describe('nearly there', () => {
  const all = { all: true } as const;
  it.each<[string, OfferDocument, Record<string, number>, object[]]>([
    [
      'two more for a bundle',
      { kind: 'mixAndMatch', items: all, take: 3, value: { total: '11.00' } },
      { x: 1 },
      [{ promotion: 'o', add: 2, sku: 'y', saving: '9.00' }],
    ],
    [
      'one more of what is got',
      {
        kind: 'mixAndMatch',
        buy: [{ items: { items: ['x'] }, quantity: 1 }],
        get: { items: { items: ['y'] }, quantity: 1 },
        value: { percentOff: 10_000 },
      },
      { x: 1 },
      [{ promotion: 'o', add: 1, sku: 'y', saving: '5.00' }],
    ],
    [
      'two more for the next tier',
      {
        kind: 'quantityBreak',
        items: all,
        count: 'item',
        tiers: [
          { atLeast: 2, percentOff: 500 },
          { atLeast: 5, percentOff: 1_000 },
        ],
      },
      { x: 3 },
      [{ promotion: 'o', add: 2, sku: 'x', saving: '3.50' }],
    ],
    [
      'one more for a free one',
      { kind: 'freeGoods', items: all, count: 'item', every: 4, free: 1, parts: 'whole' },
      { x: 3 },
      [{ promotion: 'o', add: 1, sku: 'x', saving: '10.00' }],
    ],
    [
      'nothing where it is not touched',
      { kind: 'mixAndMatch', items: { items: ['y'] }, take: 2, value: { total: '1.00' } },
      { x: 1 },
      [],
    ],
  ])('says %s', (_, made, lines, nearly) => {
    expect(ring(basketPlan({ x: '10.00', y: '5.00' }, [offer('o', made)]), basketOf(lines)).nearly).toEqual(
      nearly,
    );
  });

  it('says nothing of an offer that may not be applied again', () => {
    const once = offer(
      'o',
      { kind: 'mixAndMatch', items: all, take: 2, value: { total: '11.00' } },
      { limitPerBasket: 1 },
    );
    expect(ring(basketPlan({ x: '10.00' }, [once]), basketOf({ x: 3 })).nearly).toEqual([]);
  });
});
