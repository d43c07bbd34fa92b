import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { offer } from '../../../tests/plans/basket-plan.ts';
import { change, compiled, SMALL } from '../../../tests/plans/small-plan.ts';
import type { Instant } from '../calendar/index.ts';
import type { PlanDocument, PromotionDocument } from '../plan/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { findLoopholes, searchKey } from './index.ts';

const AT = Date.parse('2027-03-03T11:00Z') as Instant;
const WHEN = { from: '2027-03-02T09:00', to: '2027-03-08T20:00' };
const PAIR = offer(
  'pair',
  { kind: 'mixAndMatch', items: { items: ['milk'] }, take: 2, value: { total: '1.00' } },
  { when: WHEN },
);
const CHEAP = change('cheap', { when: WHEN, items: { items: ['spray'] } });
const BASE: PlanDocument = { ...SMALL, promotions: [PAIR, CHEAP] };

const keyOf = (document: PlanDocument, store = 'west', at = AT): string =>
  searchKey(document, compiled(document), { store, at, shopper: GUEST });
const withMore = (...more: PromotionDocument[]): PlanDocument => ({
  ...BASE,
  promotions: [...BASE.promotions, ...more],
});
const item = (sku: string, changed: object): PlanDocument => ({
  ...BASE,
  items: BASE.items.map((one) => (one.sku === sku ? { ...one, ...changed } : one)),
});

const SAME: readonly (readonly [string, PlanDocument])[] = [
  ['a draft', withMore({ ...PAIR, id: 'draft', status: 'draft' })],
  ['what begins later', withMore({ ...PAIR, id: 'later', when: { from: '2027-04-01T09:00' } })],
  [
    'what is over',
    withMore({ ...PAIR, id: 'over', when: { from: '2027-02-01T09:00', to: '2027-02-02T09:00' } }),
  ],
  ['what is for another store', withMore({ ...CHEAP, id: 'there', where: { stores: ['east'] } })],
  ['another name of the store', { ...BASE, stores: BASE.stores.map((one) => ({ ...one, name: 'Shop' })) }],
];
const OTHER: readonly (readonly [string, PlanDocument])[] = [
  ['a price', item('oil', { prices: [{ price: '7.99' }] })],
  ['a cost', item('spray', { cost: '4.01' })],
  ['a tag', item('spray', { tags: ['new'] })],
  ['a price of this store', item('oil', { prices: [{ price: '8.00' }, { price: '7.50', store: 'west' }] })],
  ['a further deal', withMore({ ...PAIR, id: 'more' })],
  ['a deal by a code', withMore({ ...PAIR, id: 'coded', codes: ['C'] })],
  ['a price change by a code', withMore({ ...CHEAP, id: 'coded', codes: ['C'] })],
  ['the order of deals', { ...BASE, promotions: [{ ...PAIR, priority: 3 }, CHEAP] }],
  ['a deal that is no more', { ...BASE, promotions: [CHEAP] }],
  ['a tag of the store', { ...BASE, stores: BASE.stores.map((one) => ({ ...one, tags: ['flagship'] })) }],
];

describe('a search for loopholes rests on the same', () => {
  it.each(SAME)('whatever becomes of %s', (_, document) => {
    expect(keyOf(document)).toBe(keyOf(BASE));
  });
  it('on another day on which the same counts', () => {
    expect(keyOf(BASE, 'west', (AT + 86_400_000) as Instant)).toBe(keyOf(BASE));
  });
});

describe('a search for loopholes rests on something else', () => {
  it.each(OTHER)('with %s', (_, document) => {
    expect(keyOf(document)).not.toBe(keyOf(BASE));
  });
  it('before anything has begun, and in a store of another zone', () => {
    expect(keyOf(BASE, 'west', Date.parse('2027-03-01T11:00Z') as Instant)).not.toBe(keyOf(BASE));
    expect(keyOf(BASE, 'east')).not.toBe(keyOf(BASE));
  });
});

it('searches of one key find the same', () => {
  const found = (document: PlanDocument, store: string, at: Instant) =>
    findLoopholes(compiled(document), {
      circumstances: {
        ...{ id: null, store, at, channel: 'till', terminal: null, shopper: GUEST, history: null },
        ...{ codes: ['C'], usesSoFar: new Map(), payment: null, delivery: null, region: null },
        ...{ postcode: null, linkTag: null, lines: [] },
      },
      units: 3,
    }).found.map(({ basket: { lines }, ...one }) => ({ ...one, lines }));
  const plans = fc.constantFrom(BASE, ...SAME.map(([, plan]) => plan), ...OTHER.map(([, plan]) => plan));
  const moment = fc.record({
    store: fc.constantFrom('west', 'east'),
    day: fc.integer({ min: -1, max: 8 }),
    hour: fc.integer({ min: 0, max: 23 }),
  });
  const at = ({ day, hour }: { day: number; hour: number }) =>
    (AT + day * 86_400_000 + (hour - 11) * 3_600_000) as Instant;
  let same = 0;
  fc.assert(
    fc.property(plans, moment, plans, moment, (one, here, other, there) => {
      if (keyOf(one, here.store, at(here)) !== keyOf(other, there.store, at(there))) return;
      same += 1;
      expect(found(one, here.store, at(here))).toEqual(found(other, there.store, at(there)));
    }),
    { numRuns: 400, seed: 7 },
  );
  expect(same).toBeGreaterThan(10);
});
