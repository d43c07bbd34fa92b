import { describe, expect, it } from 'vitest';
import { basketOf, basketPlan, offer, ring } from '../../../tests/plans/basket-plan.ts';
import type { OfferDocument, PromotionDocument } from '../plan/index.ts';

/** Cocoa comes in two kinds of one family; mint and oats stand by themselves. */
const GOODS = {
  cocoa: { prices: [] },
  dark: { parent: 'cocoa', prices: [{ price: '4.00' }] },
  milk: { parent: 'cocoa', prices: [{ price: '3.00' }] },
  mint: '2.00',
  oats: '1.00',
  gum: '0.50',
};
const ALL = { all: true } as const;
const of = (...items: string[]) => ({ items });

type Lines = Readonly<Record<string, number>>;
/** What an offer is called by, what it is, what is in the basket, and what that costs, worked out by hand. */
type Case = [words: string, made: OfferDocument, lines: Lines, total: string];

const total = (promotions: PromotionDocument[], lines: Lines, more = {}): string =>
  ring(basketPlan(GOODS, promotions, more), basketOf(lines)).total;

function table(title: string, cases: readonly Case[]): void {
  describe(title, () => {
    it.each(cases)('%s', (_, made, lines, expected) => {
      expect(total([offer('o', made)], lines)).toBe(expected);
    });
  });
}

const mix = (rest: object): OfferDocument => ({ kind: 'mixAndMatch', items: ALL, ...rest }) as OfferDocument;

table('a bundle', [
  ['for a total, mixed from all', mix({ take: 2, value: { total: '5.00' } }), { dark: 1, milk: 1 }, '5.00'],
  ['leaves what is over at its tag', mix({ take: 2, value: { total: '5.00' } }), { dark: 3 }, '9.00'],
  ['is not made where it is dearer', mix({ take: 2, value: { total: '5.00' } }), { mint: 2 }, '4.00'],
  ['takes the dearest that it can', mix({ take: 2, value: { total: '5.00' } }), { dark: 2, mint: 2 }, '9.00'],
  ['at a percentage', mix({ take: 3, value: { percentOff: 2_500 } }), { dark: 3 }, '9.00'],
  [
    'at a percentage, rounded unit by unit',
    mix({ take: 2, value: { percentOff: 3_333 } }),
    { gum: 2 },
    '0.66',
  ],
  ['with an amount off the whole', mix({ take: 3, value: { amountOff: '1.00' } }), { mint: 3 }, '5.00'],
  [
    'with an amount off that costs more than it',
    mix({ take: 2, value: { amountOff: '9.00' } }),
    { mint: 2 },
    '0.00',
  ],
  [
    'the same, the dearest together and the cheapest together',
    mix({ take: 2, value: { amountOff: '5.00' } }),
    { dark: 2, oats: 2 },
    '3.00',
  ],
  ['at a price each', mix({ take: 2, value: { each: '2.50' } }), { dark: 1, milk: 1 }, '5.00'],
  [
    'at a price each that raises none',
    mix({ take: 2, value: { each: '2.50' } }),
    { dark: 1, oats: 1 },
    '3.50',
  ],
]);

const rewarded = (take: number, count: number, pick: string, value: object) =>
  mix({ take, rewarded: count, pick, value });

table('a reward unit', [
  [
    'the cheapest of three free',
    rewarded(3, 1, 'cheapest', { percentOff: 10_000 }),
    { dark: 1, milk: 1, mint: 1 },
    '7.00',
  ],
  [
    'the dearest of three free',
    rewarded(3, 1, 'dearest', { percentOff: 10_000 }),
    { dark: 1, milk: 1, mint: 1 },
    '5.00',
  ],
  [
    'the two cheapest of three at half',
    rewarded(3, 2, 'cheapest', { percentOff: 5_000 }),
    { dark: 1, milk: 1, mint: 1 },
    '6.50',
  ],
  ['an amount less', rewarded(2, 1, 'cheapest', { amountOffEach: '0.75' }), { mint: 2 }, '3.25'],
  [
    'an amount less, not below nothing',
    rewarded(2, 1, 'cheapest', { amountOffEach: '0.75' }),
    { mint: 1, gum: 1 },
    '2.00',
  ],
  ['a price, which raises none', rewarded(2, 1, 'cheapest', { each: '0.80' }), { mint: 1, gum: 1 }, '2.50'],
  ['a price', rewarded(2, 1, 'cheapest', { each: '0.80' }), { mint: 1, oats: 1 }, '2.80'],
  [
    'grouped so that dear ones are free too',
    rewarded(2, 1, 'cheapest', { percentOff: 10_000 }),
    { dark: 2, oats: 2 },
    '5.00',
  ],
  [
    'a cheap unit is not dragged in',
    rewarded(3, 1, 'cheapest', { percentOff: 10_000 }),
    { dark: 3, gum: 1 },
    '8.50',
  ],
]);

const get = (buy: [string[], number][], got: [string[], number], value: object, notDearer = false) =>
  ({
    kind: 'mixAndMatch',
    buy: buy.map(([items, quantity]) => ({ items: of(...items), quantity })),
    get: { items: of(...got[0]), quantity: got[1] },
    value,
    notDearer,
  }) as OfferDocument;

table('buy and get', [
  [
    'two bought, one of another free',
    get([[['dark'], 2]], [['mint'], 1], { percentOff: 10_000 }),
    { dark: 2, mint: 1 },
    '8.00',
  ],
  [
    'one bought is not enough',
    get([[['dark'], 2]], [['mint'], 1], { percentOff: 10_000 }),
    { dark: 1, mint: 1 },
    '6.00',
  ],
  [
    'two parts are both needed',
    get(
      [
        [['dark'], 1],
        [['milk'], 1],
      ],
      [['mint'], 1],
      { each: '1.00' },
    ),
    { dark: 1, milk: 1, mint: 1 },
    '8.00',
  ],
  [
    'one part is missing',
    get(
      [
        [['dark'], 1],
        [['milk'], 1],
      ],
      [['mint'], 1],
      { each: '1.00' },
    ),
    { dark: 2, mint: 1 },
    '10.00',
  ],
  [
    'again for the next',
    get([[['oats'], 1]], [['gum'], 1], { percentOff: 5_000 }),
    { oats: 2, gum: 3 },
    '3.00',
  ],
  [
    'of the same goods, bought ones are used',
    get([[['mint'], 1]], [['mint'], 1], { percentOff: 5_000 }),
    { mint: 3 },
    '5.00',
  ],
  [
    'not a dearer one',
    get([[['mint'], 1]], [['dark', 'oats'], 1], { percentOff: 10_000 }, true),
    { mint: 1, dark: 1, oats: 1 },
    '6.00',
  ],
  [
    'a dearer one where that may be',
    get([[['mint'], 1]], [['dark', 'oats'], 1], { percentOff: 10_000 }),
    { mint: 1, dark: 1, oats: 1 },
    '3.00',
  ],
]);

const combo = (slots: [string[], number, string?][], rest: object) =>
  ({
    kind: 'combo',
    slots: slots.map(([items, quantity, each], i) => ({
      name: `slot ${i}`,
      items: of(...items),
      quantity,
      ...(each === undefined ? {} : { each }),
    })),
    ...rest,
  }) as OfferDocument;

table('a combo', [
  [
    'for a total',
    combo(
      [
        [['dark', 'milk'], 1],
        [['mint'], 1],
      ],
      { value: { total: '4.50' } },
    ),
    { dark: 1, mint: 1 },
    '4.50',
  ],
  [
    'with the dearer choice first',
    combo(
      [
        [['dark', 'milk'], 1],
        [['mint'], 1],
      ],
      { value: { total: '4.50' } },
    ),
    { dark: 1, milk: 1, mint: 1 },
    '7.50',
  ],
  [
    'with two of a slot',
    combo(
      [
        [['dark'], 1],
        [['oats'], 2],
      ],
      { value: { total: '5.00' } },
    ),
    { dark: 1, oats: 2 },
    '5.00',
  ],
  [
    'not with one of two',
    combo(
      [
        [['dark'], 1],
        [['oats'], 2],
      ],
      { value: { total: '5.00' } },
    ),
    { dark: 1, oats: 1 },
    '5.00',
  ],
  [
    'at a price a slot',
    combo(
      [
        [['dark'], 1, '3.00'],
        [['mint'], 1, '1.50'],
      ],
      {},
    ),
    { dark: 1, mint: 1 },
    '4.50',
  ],
  [
    'at a price a slot, which raises none',
    combo(
      [
        [['dark'], 1, '3.00'],
        [['oats'], 1, '1.50'],
      ],
      {},
    ),
    { dark: 1, oats: 1 },
    '4.00',
  ],
  [
    'at a percentage',
    combo(
      [
        [['dark'], 1],
        [['mint'], 1],
      ],
      { value: { percentOff: 5_000 } },
    ),
    { dark: 1, mint: 1 },
    '3.00',
  ],
  [
    'with something that costs extra',
    combo(
      [
        [['dark', 'milk'], 1],
        [['mint'], 1],
      ],
      { value: { total: '4.00' }, extra: { dark: '0.70' } },
    ),
    { dark: 1, mint: 1 },
    '4.70',
  ],
  [
    'one item in two slots counts once for each',
    combo(
      [
        [['mint'], 1],
        [['mint', 'oats'], 1],
      ],
      { value: { total: '2.50' } },
    ),
    { mint: 2 },
    '2.50',
  ],
]);

const tiers = (count: string, steps: object[], rest = {}) =>
  ({ kind: 'quantityBreak', items: ALL, count, tiers: steps, ...rest }) as OfferDocument;

table('a quantity break', [
  ['by item', tiers('item', [{ atLeast: 2, percentOff: 5_000 }]), { dark: 2, milk: 1 }, '7.00'],
  ['by family', tiers('family', [{ atLeast: 3, percentOff: 5_000 }]), { dark: 2, milk: 1, mint: 2 }, '9.50'],
  ['by set', tiers('set', [{ atLeast: 3, percentOff: 5_000 }]), { dark: 1, mint: 1, oats: 1 }, '3.50'],
  ['an amount off each', tiers('item', [{ atLeast: 2, amountOffEach: '0.60' }]), { oats: 2, gum: 2 }, '0.80'],
  [
    'at a price each, which raises none',
    tiers('set', [{ atLeast: 2, each: '1.50' }]),
    { mint: 1, oats: 1 },
    '2.50',
  ],
  [
    'the higher tier for all',
    tiers('set', [
      { atLeast: 2, percentOff: 1_000 },
      { atLeast: 4, percentOff: 5_000 },
    ]),
    { mint: 4 },
    '4.00',
  ],
  [
    'only what is beyond',
    tiers('set', [{ atLeast: 3, percentOff: 5_000 }], { beyond: true }),
    { mint: 4 },
    '6.00',
  ],
  [
    'only what is beyond, the dearest first',
    tiers('set', [{ atLeast: 2, percentOff: 5_000 }], { beyond: true }),
    { dark: 1, mint: 1 },
    '5.00',
  ],
]);

const free = (rest: object) =>
  ({ kind: 'freeGoods', items: ALL, count: 'set', parts: 'whole', ...rest }) as OfferDocument;

table('free goods', [
  ['the cheapest of every three', free({ every: 3, free: 1 }), { dark: 1, milk: 1, mint: 1 }, '7.00'],
  ['in whole steps', free({ every: 3, free: 1 }), { mint: 5 }, '8.00'],
  ['in proportion', free({ every: 3, free: 2, parts: 'prorated' }), { mint: 5 }, '4.00'],
  ['from a number on', free({ every: 2, free: 1, minimum: 5 }), { mint: 4 }, '8.00'],
  ['no more than so many', free({ every: 2, free: 1, maxFree: 2 }), { mint: 8 }, '12.00'],
  ['by item', free({ every: 2, free: 1, count: 'item' }), { dark: 1, milk: 1, mint: 2 }, '9.00'],
  ['by family', free({ every: 2, free: 1, count: 'family' }), { dark: 1, milk: 1, mint: 1 }, '6.00'],
  [
    'a gift on top costs nothing',
    free({ items: of('dark'), every: 2, free: 1, gift: 'mint' }),
    { dark: 2 },
    '8.00',
  ],
]);

const BUNDLE = mix({ take: 2, value: { percentOff: 5_000 } });
const CHEAPER: PromotionDocument = offer('shelf', {
  kind: 'priceChange',
  items: of('dark'),
  formula: { percentOff: 2_500 },
});

describe('what every offer can have', () => {
  it.each([
    ['it adds to a price change by default', {}, '3.00'],
    ['it starts from the base', { startsFrom: 'base' as const }, '4.00'],
  ])('%s', (_, more, expected) => {
    expect(total([CHEAPER, offer('o', BUNDLE, more)], { dark: 2 })).toBe(expected);
  });

  it('a price change that stands alone keeps its units out of it', () => {
    expect(total([{ ...CHEAPER, alone: true }, offer('o', BUNDLE)], { dark: 2 })).toBe('6.00');
  });

  it.each([
    [undefined, '6.00'],
    [2, '8.00'],
    [1, '10.00'],
  ])('at most %s applications in a basket', (limitPerBasket, expected) => {
    const limit = limitPerBasket === undefined ? {} : { limitPerBasket };
    expect(total([offer('o', BUNDLE, limit)], { mint: 6 })).toBe(expected);
  });

  it('a limit counts each item, family or set of a counted offer once', () => {
    const broken = tiers('item', [{ atLeast: 2, percentOff: 5_000 }]);
    expect(total([offer('o', broken, { limitPerBasket: 1 })], { dark: 2, mint: 3 })).toBe('10.00');
  });

  it.each([
    ['counts for rewards', {}, '3.00'],
    ['is kept out of rewards where it stands alone', { alone: true }, '4.00'],
  ])('what it used %s', (_, more, expected) => {
    const reward = offer('r', {
      kind: 'basketReward',
      threshold: 'subtotal',
      tiers: [{ atLeast: '1.00', amountOff: '1.00' }],
    });
    expect(total([offer('o', BUNDLE, more), reward], { dark: 2 })).toBe(expected);
  });

  it.each([
    ['best', '5.00'],
    ['priority', '6.50'],
  ] as const)('under the policy %s two that want the same units settle it', (baskets, expected) => {
    const first = offer('first', mix({ take: 2, value: { amountOff: '0.50' } }), { priority: 1 });
    const second = offer('second', mix({ take: 2, value: { total: '5.00' } }), { priority: 2 });
    expect(total([first, second], { dark: 1, milk: 1 }, { policy: { baskets } })).toBe(expected);
  });
});
