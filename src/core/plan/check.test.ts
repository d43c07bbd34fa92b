import { describe, expect, it } from 'vitest';
import { change, type Promoted, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { parsePlan } from '../../contracts/index.ts';
import { describeFault, type PlanDocument, type PromotionDocument } from './index.ts';

const faultsOf = (document: unknown): string[] => {
  const parsed = parsePlan(document);
  return parsed.ok ? [] : parsed.faults.map(describeFault);
};
const pathsOf = (document: unknown) => faultsOf(document).map((line) => line.split(':')[0]);

/** The small plan with one thing in it replaced, by its path. */
function broken(path: string, value: unknown): PlanDocument {
  const copy = structuredClone(SMALL) as unknown as Record<string, unknown>;
  const keys = path.split('/').slice(1);
  const last = keys.pop()!;
  const holder = keys.reduce<Record<string, unknown>>((at, key) => at[key] as Record<string, unknown>, copy);
  if (value === undefined) delete holder[last];
  else holder[last] = value;
  return copy as unknown as PlanDocument;
}

describe('a plan document', () => {
  it('without faults is taken', () => {
    expect(faultsOf(withPromotions(change('c')))).toEqual([]);
  });

  it.each<[string, unknown, string?]>([
    ['/format', 'another'],
    ['/version', 2],
    ['/currency', 'EURO'],
    ['/nodes/1/parent', 'nowhere'],
    ['/nodes/1/id', 'beauty'],
    ['/items/0/node', 'nowhere'],
    ['/items/0/sku', 'spray', '/items/1/sku'],
    ['/items/0/gtin', '4006381333932'],
    ['/items/0/gtin', '12345'],
    ['/items/0/cost', '12.345'],
    ['/items/0/cost', '-1.00'],
    ['/items/0/unit', 'stone'],
    ['/items/0/prices/0/price', '24,90'],
    ['/items/0/prices/0/price', 24.9],
    ['/items/0/prices/0/since', '2027-02-30'],
    ['/items/0/prices/0/zone', 'nowhere'],
    ['/items/0/prices/0/store', 'nowhere'],
    ['/items/6/prices/1', { price: '9.00' }],
    ['/items/6/prices/2', { price: '9.00', zone: 'isles', store: 'west' }],
    ['/items/4/parent', 'nowhere'],
    ['/itemSets/0/rule', { node: 'nowhere' }, '/itemSets/0/rule/node'],
    ['/itemSets/0/rule', { set: 'summer' }, '/itemSets/0'],
    ['/itemSets/0/rule', { node: 'sun', tag: 'new' }],
    ['/itemSets/0/rule', { allOf: [{ items: ['nothing'] }] }, '/itemSets/0/rule/allOf/0/items/0'],
    ['/stores/0/timeZone', 'Europe/Nowhere'],
    ['/stores/0/zone', 'nowhere'],
    ['/storeGroups/0/rule', { group: 'city' }, '/storeGroups/0'],
    ['/terminals/0/store', 'nowhere'],
    ['/shopperGroups/0/priceList', 'nowhere'],
    ['/shoppers/0/groups/0', 'nowhere'],
    ['/priceLists/0/percent', 12.5],
    ['/priceLists/0/prices', { nothing: '1.00' }, '/priceLists/0/prices/nothing'],
    ['/priceLists/1/rounding', { step: '0.00', mode: 'up' }, '/priceLists/1/rounding/step'],
    ['/priceLists/1/rounding', { endings: ['1.00'], mode: 'up' }, '/priceLists/1/rounding/endings/0'],
    ['/unknown', true],
  ])('is refused at %s for %j', (path, value, told = path) => {
    expect(pathsOf(broken(path, value))).toContain(told);
  });

  it('tells cycles in the hierarchy at every node of them', () => {
    expect(pathsOf(broken('/nodes/0/parent', 'sun'))).toEqual(['/nodes/0', '/nodes/1']);
  });

  it('tells all faults at once, each with where, what and what would be right', () => {
    const document = broken('/items/0/node', 'nowhere');
    document.stores[0]!.timeZone = 'Mars/Base';
    expect(faultsOf(document)).toEqual([
      '/items/0/node: no group of goods "nowhere"; wanted: the id of a group of goods in this plan',
      '/stores/0/timeZone: no time zone "Mars/Base"; wanted: an IANA name such as Europe/Lisbon',
    ]);
  });

  it('is no plan where it is no object at all', () => {
    for (const raw of [null, [], 'plan', 7, {}]) expect(faultsOf(raw).length).toBeGreaterThan(0);
  });
});

describe('a price change', () => {
  it.each<[string, Promoted, string]>([
    ['an end before its start', { when: { from: '2027-03-02T09:00', to: '2027-03-02T09:00' } }, '/when/to'],
    ['a start that is no time', { when: { from: '2027-03-01T24:00' } }, '/when/from'],
    [
      'a window without length',
      { when: { from: '2027-03-01T09:00', windows: [{ from: '10:00', to: '10:00' }] } },
      '/when/windows/0/to',
    ],
    [
      'a window on no day',
      { when: { from: '2027-03-01T09:00', windows: [{ days: [], from: '10:00', to: '11:00' }] } },
      '/when/windows/0/days',
    ],
    [
      'a rule that is none',
      { when: { from: '2027-03-01T09:00', repeat: { rrule: 'FREQ=SOMETIMES', duration: 'P1D' } } },
      '/when/repeat/rrule',
    ],
    [
      'a length that is none',
      { when: { from: '2027-03-01T09:00', repeat: { rrule: 'FREQ=DAILY', duration: 'PT' } } },
      '/when/repeat/duration',
    ],
    [
      'a day left out that is none',
      { when: { from: '2027-03-01T09:00', except: ['2027-13-01'] } },
      '/when/except/0',
    ],
    ['an unknown group of shoppers', { who: { groups: ['nobody'] } }, '/who/groups/0'],
    ['an unknown store', { where: { stores: ['nowhere'] } }, '/where/stores/0'],
    ['an unknown terminal', { terminals: ['nowhere'] }, '/terminals/0'],
    ['priority 0', { priority: 0 }, '/priority'],
    ['a percentage over 100', { formula: { percentOff: 10_001 } }, '/offer/formula/percentOff'],
    ['a percentage with a fraction', { formula: { percentOff: 12.5 } }, '/offer/formula/percentOff'],
    ['a margin of the whole price', { formula: { marginOnPrice: 10_000 } }, '/offer/formula/marginOnPrice'],
    ['an amount with too many decimals', { formula: { amountOff: '1.234' } }, '/offer/formula/amountOff'],
    ['a factor with seven decimals', { formula: { multiplyBy: '0.1234567' } }, '/offer/formula/multiplyBy'],
    [
      'an unknown price list as basis',
      { formula: { basis: { priceList: 'x' }, percentOff: 1 } },
      '/offer/formula/basis/priceList',
    ],
    ['a line price of an unknown item', { linePrices: { nothing: '1.00' } }, '/offer/linePrices/nothing'],
    [
      'a line price of an unknown zone',
      { linePricesIn: [{ zone: 'moon', prices: { milk: '1.00' } }] },
      '/offer/linePricesIn/0/zone',
    ],
    [
      'a line price in both a zone and a store',
      { linePricesIn: [{ zone: 'main', store: 'east', prices: { milk: '1.00' } }] },
      '/offer/linePricesIn/0',
    ],
    ['a line price of no place', { linePricesIn: [{ prices: { milk: '1.00' } }] }, '/offer/linePricesIn/0'],
    [
      'line prices of one place twice',
      {
        linePricesIn: [
          { zone: 'main', prices: { milk: '1.00' } },
          { zone: 'main', prices: { bar: '1.00' } },
        ],
      },
      '/offer/linePricesIn/1',
    ],
    [
      'a line price in a store that is no amount',
      { linePricesIn: [{ store: 'east', prices: { milk: '1.001' } }] },
      '/offer/linePricesIn/0/prices/milk',
    ],
    ['no formula and no price in any place', { linePricesIn: [{ store: 'east', prices: {} }] }, '/offer'],
    [
      'on top with line prices in a store',
      { onTop: true, linePricesIn: [{ store: 'east', prices: { milk: '1.00' } }] },
      '/offer/linePricesIn',
    ],
    ['alone together with on top', { onTop: true, alone: true }, '/offer/onTop'],
    ['on top with a set price', { onTop: true, formula: { setTo: '1.00' } }, '/offer/formula'],
    [
      'on top with a basis',
      { onTop: true, formula: { basis: 'cost', percentOff: 1 } },
      '/offer/formula/basis',
    ],
    ['on top with line prices', { onTop: true, linePrices: { milk: '1.00' } }, '/offer/linePrices'],
  ])('is refused for %s', (_, said, path) => {
    expect(pathsOf(withPromotions(change('c', said)))).toContain(`/promotions/0${path}`);
  });

  it('is refused without a formula or line prices', () => {
    const bare = change('c');
    const document = withPromotions({ ...bare, offer: { kind: 'priceChange', items: { all: true } } });
    expect(pathsOf(document)).toEqual(['/promotions/0/offer']);
  });

  it('is refused where its id stands twice', () => {
    expect(pathsOf(withPromotions(change('c'), change('c')))).toEqual(['/promotions/1/id']);
  });
});

describe('the other offers', () => {
  const deal = (offer: unknown): PromotionDocument => ({ ...change('d'), offer: offer as never });
  const items = { node: 'sun' };
  it.each<[string, unknown]>([
    [
      'a quantity break',
      { kind: 'quantityBreak', items, count: 'item', tiers: [{ atLeast: 4, each: '6.40' }] },
    ],
    ['a bundle', { kind: 'mixAndMatch', items, take: 3, value: { total: '11.00' } }],
    [
      'a reward unit',
      { kind: 'mixAndMatch', items, take: 3, rewarded: 1, pick: 'cheapest', value: { percentOff: 10_000 } },
    ],
    [
      'buy and get',
      {
        kind: 'mixAndMatch',
        buy: [{ items, quantity: 2 }],
        get: { items, quantity: 1 },
        notDearer: true,
        value: { percentOff: 5000 },
      },
    ],
    [
      'a combo',
      {
        kind: 'combo',
        slots: [{ name: 'a', items, quantity: 1 }],
        value: { total: '5.00' },
        extra: { bar: '0.50' },
      },
    ],
    ['free goods', { kind: 'freeGoods', items, count: 'set', every: 12, free: 1, parts: 'whole' }],
    [
      'a basket reward',
      { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '50.00', percentOff: 500 }] },
    ],
    ['a delivery reward', { kind: 'deliveryReward', value: { free: true } }],
  ])('%s is taken', (_, offer) => {
    expect(faultsOf(withPromotions(deal(offer)))).toEqual([]);
  });

  it.each<[string, unknown, string]>([
    [
      'tiers out of order',
      {
        kind: 'quantityBreak',
        items,
        count: 'item',
        tiers: [
          { atLeast: 8, each: '5.00' },
          { atLeast: 4, each: '6.00' },
        ],
      },
      '/tiers/1/atLeast',
    ],
    [
      'a value that does not fit',
      { kind: 'quantityBreak', items, count: 'item', tiers: [{ atLeast: 4, total: '6.00' }] },
      '/tiers/0/total',
    ],
    [
      'more rewarded than taken',
      { kind: 'mixAndMatch', items, take: 3, rewarded: 4, pick: 'cheapest', value: { percentOff: 100 } },
      '/rewarded',
    ],
    [
      'a combo priced twice',
      { kind: 'combo', slots: [{ name: 'a', items, quantity: 1, each: '1.00' }], value: { total: '5.00' } },
      '',
    ],
    [
      'extras beside a percentage',
      {
        kind: 'combo',
        slots: [{ name: 'a', items, quantity: 1 }],
        value: { percentOff: 100 },
        extra: { bar: '0.50' },
      },
      '/extra',
    ],
    [
      'an unknown gift',
      { kind: 'freeGoods', items, count: 'set', every: 2, free: 1, parts: 'whole', gift: 'nothing' },
      '/gift',
    ],
    [
      'an unknown promotion to combine with',
      {
        kind: 'basketReward',
        threshold: 'units',
        tiers: [{ atLeast: 3, percentOff: 500 }],
        combinesWith: ['x'],
      },
      '/combinesWith/0',
    ],
    ['an unknown kind', { kind: 'lottery' }, '/kind'],
  ])('%s is refused', (_, offer, path) => {
    expect(pathsOf(withPromotions(deal(offer)))).toContain(`/promotions/0/offer${path}`);
  });
});
