import { describe, expect, it } from 'vitest';
import {
  type Asked,
  ask,
  change,
  lostOf,
  ofGroups,
  type Promoted,
  SMALL,
  short,
  withPromotions,
} from '../../../tests/plans/small-plan.ts';
import type { LostReason } from './index.ts';

describe('the regular price', () => {
  it.each<[string, Asked, string]>([
    ['is the chain’s where nothing nearer stands', { sku: 'bar' }, '1.00'],
    [
      'is the newest row that has begun, from midnight of its day',
      { sku: 'bar', at: '2027-06-01T00:00' },
      '1.20',
    ],
    ['is still the older one a minute before', { sku: 'bar', at: '2027-05-31T23:59' }, '1.00'],
    [
      'is the zone’s before the chain’s, even an older one',
      { sku: 'bar', store: 'west', at: '2027-04-30T12:00' },
      '1.10',
    ],
    [
      'is the store’s own before the zone’s, from its day on',
      { sku: 'bar', store: 'west', at: '2027-05-01T00:00' },
      '0.90',
    ],
    ['is none where no row has begun', { sku: 'unpriced' }, 'no-price'],
    ['is none for a parent of variants', { sku: 'gel' }, 'parent'],
    ['is a variant’s own', { sku: 'gel-90' }, '9.00'],
    ['is unknown for an unknown item', { sku: 'nothing' }, 'unknown-item'],
    ['is unknown in an unknown store', { store: 'nowhere' }, 'unknown-store'],
  ])('%s', (_, asked, wanted) => {
    expect(short(ask(SMALL, asked))).toBe(wanted);
  });

  it('is asked only of what the store carries', () => {
    const ranges = [{ id: 'r', name: 'East only', stores: { stores: ['east'] }, items: { node: 'beauty' } }];
    expect(short(ask({ ...SMALL, ranges }, {}))).toBe('24.90');
    expect(short(ask({ ...SMALL, ranges }, { store: 'west' }))).toBe('not-carried');
    expect(short(ask({ ...SMALL, ranges }, { sku: 'bar' }))).toBe('not-carried');
  });
});

describe('the base of a kind of shopper', () => {
  it.each<[string, Asked, string]>([
    ['is the regular price for a guest', {}, '24.90'],
    ['is the list’s percentage, to the cent half away from zero', { shopper: ofGroups('members') }, '23.66'],
    ['is the list’s percentage with the list’s rounding', { shopper: ofGroups('staff') }, '21.20'],
    [
      'is the item’s own price in the list, not rounded',
      { sku: 'spray', shopper: ofGroups('members') },
      '9.33',
    ],
    ['is the lowest of several lists', { shopper: ofGroups('members', 'staff') }, '21.20'],
    ['takes nothing from a group without a list', { shopper: ofGroups('students') }, '24.90'],
    ['is the list’s beside a group without one', { shopper: ofGroups('students', 'members') }, '23.66'],
  ])('%s', (_, asked, wanted) => {
    expect(short(ask(SMALL, asked))).toBe(wanted);
  });
});

const IN_PLACES: readonly [string, Asked, string][] = [
  ['the store’s goes before its zone’s', {}, '18.00'],
  ['the zone’s goes before the one for everywhere', { sku: 'bar' }, '0.70'],
  ['another zone’s store has the one for everywhere', { store: 'west' }, '20.00'],
  ['a parent’s in the store holds for a variant without one', { sku: 'gel-90' }, '2.00'],
  ['a variant’s own, wherever it is given, goes before its parent’s', { sku: 'gel-50' }, '4.00'],
];

describe('a formula', () => {
  it.each<[string, Promoted, string, Asked?]>([
    [
      '15 % off, rounded up to 0.05 (worked example 1)',
      { formula: { percentOff: 1500 }, rounding: { step: '0.05', mode: 'up' } },
      '21.20',
    ],
    ['a percentage to the cent, half away from zero', { formula: { percentOff: 1250 } }, '21.79'],
    ['an amount off', { formula: { amountOff: '3.45' } }, '21.45'],
    ['an amount off that is more than the price leaves zero', { formula: { amountOff: '30.00' } }, '0.00'],
    ['a set price', { formula: { setTo: '19.99' } }, '19.99'],
    ['a factor of six decimals', { formula: { multiplyBy: '0.333333' } }, '8.30'],
    ['a mark-up on the cost', { formula: { addPercent: 3333 } }, '16.00'],
    ['a margin on the price', { formula: { marginOnPrice: 4000 } }, '20.00'],
    [
      'from the regular price, past the list',
      { formula: { basis: 'regular', percentOff: 2000 } },
      '19.92',
      { shopper: ofGroups('members') },
    ],
    [
      'from the base, which is the list’s',
      { formula: { percentOff: 2000 } },
      '18.93',
      { shopper: ofGroups('members') },
    ],
    ['from the cost', { formula: { basis: 'cost', multiplyBy: '1.5' } }, '18.00'],
    ['from a price list', { formula: { basis: { priceList: 'staff' }, percentOff: 1000 } }, '19.08'],
    ['from a list’s own price', { formula: { basis: { priceList: 'own' }, percentOff: 1000 } }, '18.00'],
    [
      'to endings, nearest',
      { formula: { percentOff: 1500 }, rounding: { endings: ['0.49', '0.99'], mode: 'nearest' } },
      '20.99',
    ],
    [
      'to endings, up',
      { formula: { percentOff: 1500 }, rounding: { endings: ['0.49', '0.99'], mode: 'up' } },
      '21.49',
    ],
    [
      'a line price of its own, not rounded',
      { linePrices: { milk: '20.01' }, rounding: { step: '0.05', mode: 'up' } },
      '20.01',
    ],
    [
      'a line price given for the parent holds for its variants',
      { linePrices: { gel: '4.44' } },
      '4.44',
      { sku: 'gel-90' },
    ],
    [
      'a variant’s own line price comes first',
      { linePrices: { gel: '4.44', 'gel-90': '7.77' } },
      '7.77',
      { sku: 'gel-90' },
    ],
    [
      'other items use the formula beside line prices',
      { linePrices: { bar: '0.50' }, formula: { percentOff: 1000 } },
      '22.41',
    ],
    ...IN_PLACES.map(([what, asked, wanted]): [string, Promoted, string, Asked] => [
      `line prices in places: ${what}`,
      {
        linePrices: { milk: '20.00', 'gel-50': '4.00', bar: '0.80' },
        linePricesIn: [
          { zone: 'main', prices: { milk: '19.00', gel: '3.00', bar: '0.70' } },
          { store: 'east', prices: { milk: '18.00', gel: '2.00' } },
        ],
      },
      wanted,
      asked,
    ]),
    ['above the base, where it may raise', { formula: { setTo: '30.00' }, mayRaise: true }, '30.00'],
  ])('%s', (_, said, wanted, asked = {}) => {
    expect(short(ask(withPromotions(change('c', said)), asked))).toBe(`${wanted} by c`);
  });

  it('that makes the very base wins, and is told to change nothing', () => {
    const answer = ask(withPromotions(change('c', { formula: { setTo: '24.90' } })));
    expect(answer).toMatchObject({ price: 2490, winner: { promotion: 'c', changesNothing: true } });
  });
});

describe('who wins', () => {
  const ten = { formula: { percentOff: 1000 } };
  const thirty = { formula: { percentOff: 3000 } };
  it.each<[string, Record<string, Promoted>, string, Record<string, LostReason>]>([
    [
      'the first priority, though it is dearer',
      { a: { ...ten, priority: 1 }, b: { ...thirty, priority: 2 } },
      '22.41 by a',
      { b: 'lower-priority' },
    ],
    [
      'the lower price at equal priority',
      { a: { ...ten, priority: 5 }, b: { ...thirty, priority: 5 } },
      '17.43 by b',
      { a: 'higher-price' },
    ],
    [
      'the earlier id at equal priority and price',
      { b: { ...ten, priority: 5 }, a: { ...ten, priority: 5 } },
      '22.41 by a',
      { b: 'later-id' },
    ],
    [
      'priority 100 where none is given',
      { a: { ...ten, priority: 101 }, b: thirty },
      '17.43 by b',
      { a: 'lower-priority' },
    ],
    [
      'what does not raise, before what would',
      { a: { formula: { setTo: '99.00' }, priority: 1 }, b: ten },
      '22.41 by b',
      { a: 'would-raise' },
    ],
  ])('by priority: %s', (_, said, wanted, lost) => {
    const plan = withPromotions(...Object.entries(said).map(([id, one]) => change(id, one)));
    const answer = ask(plan);
    expect(short(answer)).toBe(wanted);
    expect(lostOf(answer)).toEqual(lost);
  });

  it.each<[string, Record<string, Promoted>, string, Record<string, LostReason>]>([
    [
      'the lower price, whatever the priority',
      { a: { ...ten, priority: 1 }, b: { ...thirty, priority: 2 } },
      '17.43 by b',
      { a: 'higher-price' },
    ],
    [
      'the first priority at equal prices',
      { a: { ...ten, priority: 2 }, b: { ...ten, priority: 1 } },
      '22.41 by b',
      { a: 'lower-priority' },
    ],
    ['the earlier id at equal prices and priority', { b: ten, a: ten }, '22.41 by a', { b: 'later-id' }],
  ])('by the lowest price: %s', (_, said, wanted, lost) => {
    const plan = withPromotions(...Object.entries(said).map(([id, one]) => change(id, one)));
    const answer = ask({ ...plan, policy: { priceChanges: 'lowest' } });
    expect(short(answer)).toBe(wanted);
    expect(lostOf(answer)).toEqual(lost);
  });
});

describe('on top', () => {
  const fifth = { formula: { percentOff: 2000 } };
  const top = (said: Promoted = {}): Promoted => ({ formula: { percentOff: 500 }, onTop: true, ...said });
  it.each<[string, Record<string, Promoted>, string, Record<string, LostReason>]>([
    ['applies to the price that was set', { w: fifth, t: top() }, '18.92 by w + t', {}],
    ['applies to the base where nothing sets a price', { t: top() }, '23.66 + t', {}],
    [
      'takes its percentage of the base with `of: "base"`',
      { w: fifth, t: top({ of: 'base' }) },
      '18.68 by w + t',
      {},
    ],
    [
      'goes by priority and id, each step rounded',
      { a: top({ priority: 2 }), b: top({ formula: { amountOff: '1.00' }, priority: 1 }) },
      '22.71 + b + a',
      {},
    ],
    ['knows a factor', { t: top({ formula: { multiplyBy: '0.9' } }) }, '22.41 + t', {}],
    [
      'is skipped where it would not lower',
      { w: fifth, t: top({ rounding: { step: '1.00', mode: 'up' } }) },
      '19.00 by w + t',
      {},
    ],
    [
      'does not apply where the winner is alone',
      { w: { ...fifth, alone: true }, t: top() },
      '19.92 by w',
      { t: 'winner-alone' },
    ],
  ])('%s', (_, said, wanted, lost) => {
    const plan = withPromotions(...Object.entries(said).map(([id, one]) => change(id, one)));
    const answer = ask(plan);
    expect(short(answer)).toBe(wanted);
    expect(lostOf(answer)).toEqual(lost);
  });

  it('a step that rounding keeps from lowering is skipped and told', () => {
    const plan = withPromotions(change('t', top({ rounding: { step: '50.00', mode: 'up' } })));
    const answer = ask(plan);
    expect(short(answer)).toBe('24.90');
    expect(lostOf(answer)).toEqual({ t: 'not-lower' });
  });
});

describe('what keeps a price change from counting', () => {
  it.each<[LostReason, Promoted, Asked?]>([
    ['switched-off', { status: 'draft' }],
    ['switched-off', { status: 'paused' }],
    ['switched-off', { status: 'archived' }],
    ['wrong-store', { where: { stores: ['west'] } }],
    ['wrong-store', { where: { not: { group: 'city' } } }],
    ['wrong-channel', { channels: ['web'] }],
    ['wrong-terminal', { terminals: ['counter'] }],
    ['wrong-terminal', { terminals: ['counter'] }, { terminal: 'west-1' }],
    ['wrong-shopper', { who: { groups: ['members'] } }],
    ['wrong-shopper', { who: { guests: true } }, { shopper: ofGroups('members') }],
    ['wrong-shopper', { who: { shoppers: ['m-1'] } }],
    ['needs-code', { codes: ['SPRING'] }],
    ['not-started', {}, { at: '2027-03-01T08:59' }],
    ['over', {}, { at: '2027-06-01T20:00' }],
    ['outside-hours', { when: { from: '2027-03-01T09:00', windows: [{ from: '16:00', to: '18:00' }] } }],
    ['outside-hours', { when: { from: '2027-03-01T09:00', except: ['2027-04-14'] } }],
    ['no-cost', { formula: { addPercent: 1000 } }, { sku: 'oil' }],
    ['no-list-price', { formula: { basis: { priceList: 'own' }, percentOff: 100 } }, { sku: 'spray' }],
    ['no-line-price', { linePrices: { milk: '9.99' } }, { sku: 'spray' }],
    ['would-raise', { formula: { setTo: '99.00' } }],
    ['would-raise', { linePrices: { milk: '24.91' } }],
  ])('%s', (reason, said, asked = {}) => {
    const answer = ask(withPromotions(change('c', said)), asked);
    expect(lostOf(answer)).toEqual({ c: reason });
    expect(answer).toMatchObject({ winner: null });
  });

  it.each<[string, Promoted, Asked]>([
    ['its own channel', { channels: ['web'] }, { channel: 'web' }],
    ['the till, where no channel is asked', { channels: ['till'] }, {}],
    ['a terminal by its tag', { terminals: ['counter'] }, { terminal: 'east-1' }],
    ['a terminal by its id', { terminals: ['east-1'] }, { terminal: 'east-1' }],
    [
      'any one of its kinds of shopper',
      { who: { groups: ['staff', 'members'] } },
      { shopper: ofGroups('members') },
    ],
    ['guests beside a group', { who: { groups: ['staff'], guests: true } }, {}],
    [
      'a named shopper',
      { who: { shoppers: ['m-1'] } },
      { shopper: { kind: 'shopper', id: 'm-1', groups: [] } },
    ],
    ['its first minute', {}, { at: '2027-03-01T09:00' }],
    ['its last minute', {}, { at: '2027-06-01T19:59' }],
    [
      'the store’s own clock: nine in the west is an hour later',
      {},
      { store: 'west', at: '2027-03-01T09:00' },
    ],
  ])('but it counts at %s', (_, said, asked) => {
    expect(ask(withPromotions(change('c', said)), asked)).toMatchObject({ winner: { promotion: 'c' } });
  });

  it('says nothing of a change whose goods are others', () => {
    expect(lostOf(ask(withPromotions(change('c', { items: { node: 'food' } }))))).toEqual({});
  });
});

describe('a selection of items', () => {
  it.each<[string, Promoted['items'], string[]]>([
    ['everything', { all: true }, ['milk', 'spray', 'oil', 'gel-50', 'gel-90', 'bar']],
    ['a node with what is under it', { node: 'beauty' }, ['milk', 'spray', 'oil', 'gel-50', 'gel-90']],
    ['single items', { items: ['oil'] }, ['oil']],
    ['a parent means its variants', { items: ['gel'] }, ['gel-50', 'gel-90']],
    ['a brand', { brand: 'Wrenfold' }, ['milk']],
    ['a tag', { tag: 'new' }, ['milk']],
    ['an attribute', { attribute: 'size', in: ['50', '100'] }, ['spray']],
    ['a set', { set: 'summer' }, ['milk', 'spray', 'oil', 'bar']],
    [
      'a range of regular prices, bounds included',
      { regularPrice: { atLeast: '5.00', atMost: '10.00' } },
      ['spray', 'oil', 'gel-50', 'gel-90'],
    ],
    [
      'all of, with an exception',
      { allOf: [{ node: 'sun' }, { not: { brand: 'Wrenfold' } }] },
      ['spray', 'oil'],
    ],
    ['any of', { anyOf: [{ node: 'food' }, { items: ['gel-50'] }] }, ['gel-50', 'bar']],
  ])('%s', (_, items, wanted) => {
    const plan = withPromotions(change('c', { items: items! }));
    const won = ['milk', 'spray', 'oil', 'gel-50', 'gel-90', 'bar'].filter((sku) => {
      const answer = ask(plan, { sku });
      return answer.kind === 'price' && answer.winner !== null;
    });
    expect(won).toEqual(wanted);
  });

  it('asks for the regular price there and then', () => {
    const plan = withPromotions(change('c', { items: { regularPrice: { atMost: '1.00' } } }));
    const wins = (store: string, at: string) => short(ask(plan, { sku: 'bar', store, at }));
    expect(wins('east', '2027-04-14T12:00')).toBe('0.90 by c');
    expect(wins('west', '2027-04-14T12:00')).toBe('1.10');
    expect(wins('west', '2027-05-02T12:00')).toBe('0.81 by c');
  });
});

describe('other currencies', () => {
  it.each<[string, string, string, string]>([
    ['JPY', '249', '224', 'no minor units'],
    ['KWD', '24.905', '22.415', 'three decimals, half away from zero'],
  ])('%s: %s less 10 %% is %s (%s)', (currency, price, wanted) => {
    const items = [{ sku: 'milk', name: 'Sun milk', node: 'sun', prices: [{ price }] }];
    const plan = {
      ...withPromotions(change('c', { items: { items: ['milk'] } })),
      currency,
      items,
      itemSets: [],
      priceLists: [],
      shopperGroups: [],
      shoppers: [],
    };
    expect(short(ask(plan), plan)).toBe(`${wanted} by c`);
  });
});
