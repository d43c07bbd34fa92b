import { describe, expect, it } from 'vitest';
import { basketPlan, compiledOf, offer } from '../../../tests/plans/basket-plan.ts';
import { currencyOf } from '../money/index.ts';
import { type PlanDocument, type PromotionDocument, readPromotion } from '../plan/index.ts';
import type { BasketOfferPromotion } from '../price-book/index.ts';
import { type DealConsequences, dealConsequences } from './index.ts';

const EUR = currencyOf('EUR')!;
const TEA = { items: { items: ['mint', 'green', 'white'] } };
const CUP = { items: { items: ['cup'] } };
const at = (price: string, cost: string) => ({ cost, prices: [{ price }] });

const GOODS = {
  mint: at('4.00', '2.00'),
  green: at('4.40', '2.00'),
  white: at('6.00', '3.00'),
  cup: at('9.00', '4.00'),
  loose: { ...at('30.00', '10.00'), unit: 'kg' as const },
};

const drafted = (said: PromotionDocument['offer'], more: Partial<PromotionDocument> = {}) =>
  readPromotion(offer('draft', said, { status: 'draft', ...more }), EUR) as BasketOfferPromotion;

function consequences(
  said: PromotionDocument['offer'],
  {
    more,
    plan,
    others = [],
  }: { more?: Partial<PromotionDocument>; plan?: Partial<PlanDocument>; others?: PromotionDocument[] } = {},
): DealConsequences {
  return dealConsequences(compiledOf(basketPlan(GOODS, others, plan)), drafted(said, more), null);
}

/** Units, what they cost before and after, and the margin after, of each step. */
const stepsOf = ({ steps }: DealConsequences) =>
  steps.map(({ lines, before, after, marginAfter }) => [
    lines.map(({ sku, quantity }) => `${quantity} ${sku}`).join(' '),
    before,
    after,
    marginAfter,
  ]);

describe('a deal, step by step', () => {
  it.each<[string, PromotionDocument['offer'], unknown[]]>([
    [
      'a quantity break at each tier, with the goods in the middle of its prices',
      {
        kind: 'quantityBreak',
        ...TEA,
        count: 'set',
        tiers: [
          { atLeast: 2, each: '4.10' },
          { atLeast: 4, percentOff: 5_000 },
        ],
      },
      [
        ['1 green', 440, 440, 5454],
        ['2 green', 880, 820, 5121],
        ['4 green', 1_760, 880, 909],
      ],
    ],
    [
      'a bundle of the cheapest, the middle, the dearest and of one each',
      { kind: 'mixAndMatch', ...TEA, take: 3, value: { total: '11.00' } },
      [
        ['3 mint', 1_200, 1_100, 4545],
        ['3 green', 1_320, 1_100, 4545],
        ['3 white', 1_800, 1_100, 1818],
        ['1 white 1 green 1 mint', 1_440, 1_100, 3636],
      ],
    ],
    [
      'the cheapest free',
      { kind: 'mixAndMatch', ...TEA, take: 2, rewarded: 1, pick: 'cheapest', value: { percentOff: 10_000 } },
      [
        ['2 mint', 800, 400, 0],
        ['2 green', 880, 440, 909],
        ['2 white', 1_200, 600, 0],
        ['1 white 1 green', 1_040, 600, 1666],
      ],
    ],
    [
      'buy these, get those, where one of the parts has one item only',
      {
        kind: 'mixAndMatch',
        buy: [{ ...TEA, quantity: 2 }],
        get: { ...CUP, quantity: 1 },
        value: { percentOff: 5_000 },
      },
      [
        ['2 mint 1 cup', 1_700, 1_250, 3600],
        ['2 green 1 cup', 1_780, 1_330, 3984],
        ['2 white 1 cup', 2_100, 1_650, 3939],
        ['1 white 1 green 1 cup', 1_940, 1_490, 3959],
      ],
    ],
    [
      'a combo',
      {
        kind: 'combo',
        slots: [
          { name: 'tea', ...TEA, quantity: 1 },
          { name: 'cup', ...CUP, quantity: 1 },
        ],
        value: { total: '11.00' },
      },
      [
        ['1 mint 1 cup', 1_300, 1_100, 4545],
        ['1 green 1 cup', 1_340, 1_100, 4545],
        ['1 white 1 cup', 1_500, 1_100, 3636],
      ],
    ],
    [
      'free goods at the first three steps that give any',
      { kind: 'freeGoods', ...TEA, count: 'set', minimum: 5, every: 3, free: 1, parts: 'whole' },
      [
        ['6 green', 2_640, 1_760, 3181],
        ['9 green', 3_960, 2_640, 3181],
        ['12 green', 5_280, 3_520, 3181],
      ],
    ],
    [
      'a gift, which costs what it costs the chain',
      { kind: 'freeGoods', ...TEA, count: 'set', every: 2, free: 1, parts: 'whole', gift: 'cup' },
      [
        ['2 green', 880, 880, 909],
        ['4 green', 1_760, 1_760, 909],
        ['6 green', 2_640, 2_640, 909],
      ],
    ],
    [
      'a basket reward with as many units as reach each tier',
      {
        kind: 'basketReward',
        threshold: 'subtotal',
        tiers: [
          { atLeast: '20.00', amountOff: '2.00' },
          { atLeast: '30.00', percentOff: 1_000 },
        ],
      },
      [
        ['5 green', 2_200, 2_000, 5000],
        ['7 green', 3_080, 2_772, 4949],
      ],
    ],
  ])('%s', (_, said, wanted) => {
    expect(stepsOf(consequences(said))).toEqual(wanted);
  });

  it('says what each unit comes to, and how many more baskets it takes to earn the same', () => {
    const { steps } = consequences({ kind: 'mixAndMatch', ...TEA, take: 3, value: { total: '11.00' } });
    expect(steps[1]!.split!.map(({ paid }) => paid)).toEqual([366, 367, 367]);
    expect(steps[1]).toMatchObject({ cost: 600, marginBefore: 5454, breakEven: 144 });
  });

  it('counts the gift among what leaves the shelf', () => {
    const { steps } = consequences({
      kind: 'freeGoods',
      ...TEA,
      count: 'set',
      every: 2,
      free: 1,
      parts: 'whole',
      gift: 'cup',
    });
    expect(steps[0]).toMatchObject({ marginBefore: 5454, marginAfter: 909, breakEven: 600 });
    expect(steps[0]!.split).toEqual([
      { sku: 'green', paid: 440, gift: false },
      { sku: 'green', paid: 440, gift: false },
      { sku: 'cup', paid: 0, gift: true },
    ]);
  });

  it('shows what delivery comes to', () => {
    const said = {
      kind: 'deliveryReward',
      ways: ['courier'],
      conditions: { subtotal: '20.00' },
      value: { flat: '1.50' },
    } as const;
    const { steps } = consequences({ ...said, ways: ['courier'] });
    expect(steps).toMatchObject([{ delivery: { before: 500, after: 150 } }]);
  });

  it('is looked at by somebody for whom it is, holding its code and all else that it asks', () => {
    const groups = [{ id: 'staff', name: 'Staff' }];
    const { steps } = consequences(
      {
        kind: 'basketReward',
        threshold: 'subtotal',
        tiers: [{ atLeast: '4.00', amountOff: '1.00' }],
        conditions: {
          payments: ['card'],
          regions: ['North'],
          postcodes: ['12'],
          linkTags: ['spring'],
          deliveries: ['courier'],
          minPastOrders: 3,
          minLifetimeSpend: '50.00',
        },
      },
      {
        more: { codes: ['TEA'], who: { groups: ['staff'] }, channels: ['web'] },
        plan: { shopperGroups: groups },
      },
    );
    expect(steps).toMatchObject([{ before: 440, after: 340 }]);
  });

  it('is looked at by somebody who holds a code of its batches', () => {
    const { steps } = consequences(
      { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '4.00', amountOff: '1.00' }] },
      { more: { codeBatches: true } },
    );
    expect(steps).toMatchObject([{ before: 440, after: 340 }]);
  });

  it('is nothing where no store is in it, no moment of it comes, or nothing of a part is sold', () => {
    const said = { kind: 'mixAndMatch', ...TEA, take: 3, value: { total: '11.00' } } as const;
    expect(consequences(said, { more: { where: { tag: 'none' } } })).toMatchObject({
      lookedAt: null,
      trial: null,
    });
    const loose = consequences({ ...said, items: { items: ['loose'] } });
    expect(loose).toMatchObject({ steps: [], items: [0] });
  });
});

describe('what else wants the same units', () => {
  const said = { kind: 'mixAndMatch', ...TEA, take: 3, value: { total: '11.00' } } as const;

  it('is named with the number of goods, most first; what is off or over another time is not', () => {
    const others = [
      offer('two', {
        kind: 'mixAndMatch',
        items: { items: ['mint', 'cup'] },
        take: 2,
        value: { total: '5.00' },
      }),
      offer('all', { kind: 'mixAndMatch', items: { all: true }, take: 2, value: { percentOff: 500 } }),
      offer('off', { kind: 'mixAndMatch', ...TEA, take: 2, value: { total: '5.00' } }, { status: 'paused' }),
      offer('cups', { kind: 'mixAndMatch', ...CUP, take: 2, value: { total: '5.00' } }),
      offer('basket', { kind: 'basketReward', threshold: 'units', tiers: [{ atLeast: 1, percentOff: 100 }] }),
    ];
    expect(consequences(said, { others }).rivals).toEqual([
      { promotion: 'all', items: 3 },
      { promotion: 'two', items: 1 },
    ]);
  });
});

describe('what to look at before it goes out', () => {
  const combo = (value: { total: string }): PromotionDocument['offer'] => ({
    kind: 'combo',
    slots: [
      { name: 'tea', ...TEA, quantity: 2 },
      { name: 'cup', ...CUP, quantity: 1 },
    ],
    value,
  });
  it.each<[string, PromotionDocument['offer'], object[]]>([
    [
      'a bundle dearer than the cheapest of its parts',
      { kind: 'mixAndMatch', ...TEA, take: 3, value: { total: '12.50' } },
      [{ code: 'worse-than-shelf', pays: 1_250, shelf: 1_200, dearest: 1_800, tier: null }],
    ],
    ['a bundle that is a bargain', { kind: 'mixAndMatch', ...TEA, take: 3, value: { total: '11.99' } }, []],
    [
      'a combo as dear as its parts',
      combo({ total: '17.00' }),
      [{ code: 'worse-than-shelf', pays: 1_700, shelf: 1_700, dearest: 2_100, tier: null }],
    ],
    ['a combo that is a bargain', combo({ total: '16.00' }), []],
    [
      'a price a slot that is dearer than the shelf',
      {
        kind: 'combo',
        slots: [
          { name: 'tea', ...TEA, quantity: 2, each: '4.00' },
          { name: 'cup', ...CUP, quantity: 1, each: '9.50' },
        ],
      },
      [{ code: 'worse-than-shelf', pays: 1_750, shelf: 1_700, dearest: 2_100, tier: null }],
    ],
    [
      'a tier no cheaper than the shelf, and one that gives no more than the one before',
      {
        kind: 'quantityBreak',
        ...TEA,
        count: 'set',
        tiers: [
          { atLeast: 2, each: '4.00' },
          { atLeast: 4, each: '4.00' },
        ],
      },
      [
        { code: 'worse-than-shelf', pays: 400, shelf: 400, dearest: 600, tier: 2 },
        { code: 'worse-than-shelf', pays: 400, shelf: 400, dearest: 600, tier: 4 },
        { code: 'never-reached', tier: 4, before: 2 },
      ],
    ],
    [
      'rewards whose further tier takes less off',
      {
        kind: 'basketReward',
        threshold: 'subtotal',
        tiers: [
          { atLeast: '20.00', percentOff: 2_000 },
          { atLeast: '30.00', amountOff: '6.00' },
        ],
      },
      [{ code: 'never-reached', tier: 3_000, before: 2_000 }],
    ],
    [
      'a unit got for more than it costs',
      {
        kind: 'mixAndMatch',
        buy: [{ ...CUP, quantity: 1 }],
        get: { ...TEA, quantity: 1 },
        value: { each: '4.00' },
      },
      [{ code: 'worse-than-shelf', pays: 400, shelf: 400, dearest: 600, tier: null }],
    ],
    [
      'what is sold below cost',
      { kind: 'mixAndMatch', ...CUP, take: 2, value: { total: '7.00' } },
      [{ code: 'below-cost', steps: 1 }],
    ],
    [
      'what is sold under the margin floor',
      { kind: 'mixAndMatch', ...CUP, take: 2, value: { total: '9.00' } },
      [{ code: 'below-floor', steps: 1 }],
    ],
    [
      'a slot of which nothing is sold',
      {
        kind: 'combo',
        slots: [
          { name: 'tea', ...TEA, quantity: 1 },
          { name: 'none', items: { items: ['loose'] }, quantity: 1 },
        ],
        value: { total: '9.00' },
      },
      [{ code: 'nothing-carried', part: 1, stores: [], of: 1 }],
    ],
  ])('%s', (_, said, wanted) => {
    expect(consequences(said, { plan: { policy: { marginFloor: 1_500 } } }).warnings).toEqual(wanted);
  });

  it('a gift that a store does not carry, and a part that some stores do not sell', () => {
    const stores = ['shop', 'kiosk'].map((id) => ({ id, name: id, timeZone: 'Europe/Madrid' }));
    const ranges = [
      {
        id: 'tea',
        name: 'Tea',
        stores: { all: true } as const,
        items: { items: ['mint', 'green', 'white'] },
      },
      { id: 'cups', name: 'Cups', stores: { stores: ['shop'] }, items: { items: ['cup'] } },
    ];
    const plan = { stores, ranges };
    const gift = {
      kind: 'freeGoods',
      ...TEA,
      count: 'set',
      every: 2,
      free: 1,
      parts: 'whole',
      gift: 'cup',
    } as const;
    expect(consequences(gift, { plan }).warnings).toEqual([
      { code: 'gift-not-carried', gift: 'cup', stores: ['kiosk'] },
    ]);
    const cups = { kind: 'mixAndMatch', ...CUP, take: 2, value: { total: '17.00' } } as const;
    expect(consequences(cups, { plan, more: { where: { stores: ['kiosk'] } } }).warnings).toEqual([
      { code: 'nothing-carried', part: 0, stores: ['kiosk'], of: 1 },
    ]);
  });
});
