import { expect, it } from 'vitest';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import type { BasketOfferDocument } from '../plan/index.ts';
import { namesOf, offerWords, promotionText } from './index.ts';

const REWARDS = ['Tea days', 'Welcome', 'For members', 'Late hours'].map((name, i) => ({
  id: 'abcd'[i]!,
  name,
}));
const NAMES = namesOf({ ...SMALL, promotions: REWARDS });
const sun = { node: 'sun' };

it.each<[BasketOfferDocument, string]>([
  [{ kind: 'mixAndMatch', items: sun, take: 3, value: { total: '11.00' } }, '3 of Sun care for 11.00 EUR'],
  [
    { kind: 'mixAndMatch', items: sun, take: 2, value: { amountOff: '1.00' } },
    '2 of Sun care at 1.00 EUR less together',
  ],
  [
    { kind: 'mixAndMatch', items: sun, take: 2, value: { percentOff: 1_250 } },
    '2 of Sun care at 12.5 % less',
  ],
  [{ kind: 'mixAndMatch', items: sun, take: 2, value: { each: '4.00' } }, '2 of Sun care for 4.00 EUR each'],
  [
    {
      kind: 'mixAndMatch',
      items: sun,
      take: 3,
      rewarded: 1,
      pick: 'cheapest',
      value: { percentOff: 10_000 },
    },
    'the cheapest of every 3 from Sun care free',
  ],
  [
    {
      kind: 'mixAndMatch',
      items: sun,
      take: 4,
      rewarded: 2,
      pick: 'dearest',
      value: { amountOffEach: '0.50' },
    },
    'the 2 dearest of every 4 from Sun care at 0.50 EUR less each',
  ],
  [
    {
      kind: 'mixAndMatch',
      buy: [{ items: sun, quantity: 2 }],
      get: { items: { items: ['bar'] }, quantity: 1 },
      notDearer: true,
      value: { percentOff: 5_000 },
    },
    '1 of Oat bar that is not dearer at 50 % less with 2 of Sun care',
  ],
  [
    {
      kind: 'combo',
      slots: [
        { name: 'milk', items: sun, quantity: 1 },
        { name: 'bar', items: { items: ['bar'] }, quantity: 2 },
      ],
      value: { total: '5.00' },
    },
    'milk (Sun care) + 2 × bar (Oat bar) for 5.00 EUR',
  ],
  [
    { kind: 'combo', slots: [{ name: 'Sun Care', items: sun, quantity: 2 }], value: { total: '5.00' } },
    '2 × Sun Care for 5.00 EUR',
  ],
  [
    { kind: 'combo', slots: [{ name: 'milk', items: sun, quantity: 1, each: '3.00' }] },
    'milk (Sun care) at 3.00 EUR',
  ],
  [
    {
      kind: 'quantityBreak',
      items: sun,
      count: 'item',
      tiers: [
        { atLeast: 4, each: '6.40' },
        { atLeast: 8, percentOff: 2_000 },
      ],
    },
    'Sun care from 4 on for 6.40 EUR each, from 8 on at 20 % less, each item by itself',
  ],
  [
    { kind: 'quantityBreak', items: sun, count: 'set', beyond: true, tiers: [{ atLeast: 4, each: '6.40' }] },
    'Sun care from 4 on for 6.40 EUR each, for the units from there on, all of them together',
  ],
  [
    {
      kind: 'freeGoods',
      items: sun,
      count: 'set',
      every: 12,
      free: 1,
      minimum: 24,
      parts: 'whole',
      maxFree: 5,
    },
    '1 free of every 12 from Sun care, all of them together, from 24 on, at most 5 free',
  ],
  [
    { kind: 'freeGoods', items: sun, count: 'set', every: 2, free: 1, parts: 'whole', gift: 'bar' },
    '1 × Oat bar on top for every 2 from Sun care, all of them together',
  ],
  [
    {
      kind: 'basketReward',
      items: sun,
      threshold: 'subtotal',
      tiers: [{ atLeast: '30.00', amountOff: '5.00' }],
      maxDiscount: '9.00',
    },
    '5.00 EUR less from 30.00 EUR on on Sun care, at most 9.00 EUR',
  ],
  [
    { kind: 'basketReward', threshold: 'units', tiers: [{ atLeast: 6, percentOff: 500 }] },
    '5 % less from 6 pieces on',
  ],
  [
    { kind: 'deliveryReward', value: { free: true }, conditions: { subtotal: '35.00' } },
    'free delivery from 35.00 EUR on',
  ],
  [{ kind: 'deliveryReward', value: { flat: '1.90' } }, 'delivery for 1.90 EUR'],
  [
    {
      kind: 'deliveryReward',
      value: { percentOff: 5_000 },
      ways: ['courier', 'locker'],
      maxItemWeight: '10',
      conditions: { subtotal: '20.00', regions: ['North'] },
    },
    '50 % less on delivery from 20.00 EUR on, only by courier or locker, nothing in it heavier than 10 kg, to North',
  ],
  [
    {
      kind: 'basketReward',
      threshold: 'subtotal',
      tiers: [
        { atLeast: '30.00', percentOff: 500 },
        { atLeast: '60.00', percentOff: 1_000 },
      ],
      measure: 'before',
      skipDiscounted: true,
      combinesWith: 'none',
      conditions: { payments: ['card'], minWeight: '2', maxPastOrders: 0, minLifetimeSpend: '100.00' },
    },
    '5 % less from 30.00 EUR on, 10 % less from 60.00 EUR on, counted before other deals, not on what is reduced already, beside no other deal, paid by card, from 2 kg on, on the first purchase, having spent 100.00 EUR before',
  ],
  ...(
    [
      [['a', 'b', 'c', 'd'], 'beside Tea days, Welcome, For members and 1 more reward only'],
      [[], 'beside no other reward'],
    ] as const
  ).map(([combinesWith, words]): [BasketOfferDocument, string] => [
    {
      kind: 'basketReward',
      threshold: 'units',
      tiers: [{ atLeast: 3, percentOff: 500 }],
      combinesWith: [...combinesWith],
    },
    `5 % less from 3 pieces on, ${words}`,
  ]),
  [
    {
      kind: 'basketReward',
      threshold: 'units',
      tiers: [{ atLeast: 3, percentOff: 500 }],
      combinesWith: ['a', 'b'],
      conditions: {
        deliveries: ['courier'],
        postcodes: ['12', '13'],
        linkTags: ['spring'],
        maxWeight: '5',
        minPastOrders: 1,
        maxPastOrders: 3,
      },
    },
    '5 % less from 3 pieces on, beside Tea days, Welcome only, delivered by courier, to postcodes from 12 or 13, come by the link spring, up to 5 kg, after 1 order, after at most 3 orders',
  ],
  [
    {
      kind: 'combo',
      slots: [{ name: '', items: sun, quantity: 1, each: '3.00' }],
      extra: { bar: '0.50' },
    },
    'a choice without a name (Sun care) at 3.00 EUR, Oat bar for 0.50 EUR more',
  ],
  [
    { kind: 'freeGoods', items: sun, count: 'family', every: 12, free: 1, parts: 'prorated' },
    '1 free of every 12 from Sun care, variants together, in proportion for what lies between',
  ],
])('%j reads "%s"', (offer, words) => {
  expect(offerWords(offer, 'EUR', NAMES)).toBe(words);
});

it('stands in the sentence of its promotion', () => {
  const text = promotionText(
    {
      id: 'x',
      name: 'X',
      status: 'approved',
      when: { from: '2027-03-01T09:00', to: '2027-03-07T20:00' },
      limitPerBasket: 2,
      offer: { kind: 'mixAndMatch', items: sun, take: 3, value: { total: '11.00' } },
    },
    'EUR',
    NAMES,
  );
  expect(text).toBe(
    'From Mon 1 Mar 2027, 9:00 to Sun 7 Mar 2027, 20:00, in all stores, all shoppers get 3 of Sun care for 11.00 EUR, at most 2 times a basket.',
  );
});
