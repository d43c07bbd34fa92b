import { describe, expect, it } from 'vitest';
import { basketPlan, compiledOf, offer } from '../../../tests/plans/basket-plan.ts';
import { type DayNumber, parseLocalDate } from '../calendar/index.ts';
import type { PlanDocument, PromotionDocument } from '../plan/index.ts';
import { namesOf } from '../sentence/index.ts';
import { byShelf, type TagsAsked, tagsOfDay, tagText } from './index.ts';

const TEN_OFF: PromotionDocument['offer'] = {
  kind: 'priceChange',
  items: { items: ['oil'] },
  formula: { percentOff: 1_000 },
};
const THREE: PromotionDocument['offer'] = {
  kind: 'mixAndMatch',
  items: { items: ['tea', 'oil'] },
  take: 3,
  value: { total: '11.00' },
};
const week = (from: string, to: string) => ({ when: { from, to } });

const GOODS = {
  tea: { prices: [{ price: '4.40' }], content: { amount: '0.04', unit: 'kg' as const }, shelf: '12-10' },
  oil: { prices: [{ price: '10.00' }], content: { amount: '0.75', unit: 'l' as const }, shelf: '12-9' },
  rice: { prices: [{ price: '2.00' }], unit: 'kg' as const },
};

const STORE = { id: 'shop', name: 'Shop', timeZone: 'Europe/Madrid' };

function asked(
  promotions: PromotionDocument[],
  day: string,
  { which, ...more }: Partial<PlanDocument> & Pick<TagsAsked, 'which'> = {},
) {
  const document = basketPlan(GOODS, promotions, more);
  const compiled = compiledOf(document);
  const store = compiled.stores.get('shop')!;
  return {
    document,
    compiled,
    ...tagsOfDay(compiled, { store, day: parseLocalDate(day) as DayNumber, which }),
  };
}
const skus = (list: readonly { sku: string }[]) => list.map(({ sku }) => sku);

describe('the shelf tags of a day', () => {
  const run = offer('run', TEN_OFF, week('2027-03-01T08:00', '2027-03-04T00:00'));

  it('are those whose price or promotion is another than the day before', () => {
    expect(asked([run], '2027-03-02').tags).toMatchObject([
      { sku: 'oil', price: 900, was: 1_000, promotion: 'run', lowestBefore: 1_000 },
    ]);
    expect(asked([run], '2027-03-03').tags).toEqual([]);
    expect(asked([run], '2027-03-04').tags).toMatchObject([
      { sku: 'oil', price: 1_000, was: null, promotion: null },
    ]);
  });

  it('hold the price at which the store opens', () => {
    const open = { stores: [{ ...STORE, hours: [{ from: '09:00', to: '21:00' }] }] };
    expect(skus(asked([run], '2027-03-01', open).tags)).toEqual(['oil']);
    expect(asked([run], '2027-03-01').tags).toEqual([]);
    const sundays = {
      stores: [{ ...STORE, hours: [{ days: ['sun' as const], from: '09:00', to: '21:00' }] }],
    };
    expect(asked([run], '2027-03-01', sundays).tags).toEqual([]);
  });

  it('come in the order of the shelves, numbers as numbers, what stands nowhere last', () => {
    expect(skus(asked([], '2027-03-01', { which: 'all' }).tags)).toEqual(['oil', 'tea', 'rice']);
    const here = { stores: [{ ...STORE, shelves: { rice: '1-1' } }] };
    expect(skus(asked([], '2027-03-01', { which: 'all', ...here }).tags)).toEqual(['rice', 'oil', 'tea']);
  });

  it('tell the price of a unit of measure', () => {
    const told = asked([], '2027-03-01', { which: 'all' }).tags.map(({ unitPrice }) => unitPrice);
    expect(told).toEqual([
      { price: 1_333, of: 'l' },
      { price: 11_000, of: 'kg' },
      { price: 200, of: 'kg' },
    ]);
  });

  it('hang anew where a deal on their goods begins or ends, not for rewards and codes', () => {
    const deal = offer('three', THREE, week('2027-03-02T00:00', '2027-03-03T00:00'));
    const coded = { ...deal, id: 'coded', codes: ['SAVE'] };
    const reward = offer(
      'reward',
      { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '5.00', percentOff: 500 }] },
      deal,
    );
    expect(asked([deal], '2027-03-02').tags).toMatchObject([
      { sku: 'oil', promotion: null, deals: [{ promotion: 'three', groups: null }] },
      { sku: 'tea' },
    ]);
    expect(skus(asked([deal], '2027-03-03').tags)).toEqual(['oil', 'tea']);
    expect(asked([coded, reward], '2027-03-02').tags).toEqual([]);
  });

  it('name what is cheaper for some', () => {
    const members = offer('club', TEN_OFF, {
      ...week('2027-03-02T00:00', '2027-03-05T00:00'),
      who: { groups: ['members'] },
    });
    const groups = { shopperGroups: [{ id: 'members', name: 'Members' }] };
    expect(asked([members], '2027-03-02', groups).tags).toMatchObject([
      {
        sku: 'oil',
        price: 1_000,
        promotion: null,
        forSome: [{ group: 'members', price: 900, promotion: 'club' }],
      },
    ]);
  });

  it('name what is cheaper for some by a step on top of what everybody has', () => {
    const more = offer(
      'more',
      { kind: 'priceChange', items: { items: ['oil'] }, formula: { percentOff: 1_000 }, onTop: true },
      { who: { groups: ['members'] } },
    );
    const groups = { shopperGroups: [{ id: 'members', name: 'Members' }] };
    expect(asked([run, more], '2027-03-02', groups).tags).toMatchObject([
      { sku: 'oil', price: 900, promotion: 'run', forSome: [{ price: 810, promotion: 'more' }] },
    ]);
  });

  it('are those of what the store carries, at its own price', () => {
    const prices = [{ price: '10.00' }, { price: '9.50', zone: 'isles' }, { price: '3.00', store: 'shop' }];
    const more = {
      items: basketPlan({ ...GOODS, oil: { ...GOODS.oil, prices: prices.slice(0, 2) } }, []).items,
      zones: [{ id: 'isles', name: 'Isles' }],
      stores: [{ ...STORE, zone: 'isles' }],
      ranges: [{ id: 'few', name: 'Few', stores: { all: true as const }, items: { items: ['oil'] } }],
    };
    const all = { which: 'all' as const };
    expect(asked([], '2027-03-01', { ...more, ...all }).tags).toMatchObject([{ sku: 'oil', price: 950 }]);
    const own = basketPlan({ ...GOODS, oil: { ...GOODS.oil, prices } }, []).items;
    expect(asked([], '2027-03-01', { ...more, items: own, ...all }).tags).toMatchObject([{ price: 300 }]);
  });

  it('may be those of some goods, or what one promotion touches', () => {
    expect(skus(asked([run], '2027-03-03', { which: { promotion: 'run' } }).tags)).toEqual(['oil']);
    expect(skus(asked([], '2027-03-03', { which: { items: new Set(['rice']) } }).tags)).toEqual(['rice']);
  });
});

it('the lowest price before a reduction is that of the thirty days before it began', () => {
  const first = offer('first', TEN_OFF, week('2027-02-10T00:00', '2027-02-12T00:00'));
  const second = { ...first, id: 'second', ...week('2027-03-01T00:00', '2027-03-20T00:00') };
  const late = { ...second, ...week('2027-03-15T00:00', '2027-03-20T00:00') };
  const lowest = (promotion: PromotionDocument, day: string) =>
    asked([first, promotion], day, { which: 'all' }).tags.find(({ sku }) => sku === 'oil')?.lowestBefore;
  expect(lowest(second, '2027-03-01')).toBe(900);
  expect(lowest(second, '2027-03-18')).toBe(900);
  expect(lowest(late, '2027-03-16')).toBe(1_000);
});

it('what comes off the shelf is told by itself: ended promotions, and goods that are sold no more', () => {
  const run = offer('run', TEN_OFF, week('2027-03-01T00:00', '2027-03-04T00:00'));
  const off = (day: string, more: Partial<PlanDocument> = {}) =>
    asked([run], day, more).off.map(({ sku, ended, gone }) => [sku, ended, gone]);
  expect(off('2027-03-04')).toEqual([['oil', ['run'], false]]);
  expect(off('2027-03-02')).toEqual([]);
  const items = basketPlan({ ...GOODS, oil: { ...GOODS.oil, retired: '2027-03-04' } }, []).items;
  expect(off('2027-03-04', { items })).toEqual([['oil', [], true]]);
});

it.each([
  ['2-1', '12-1'],
  ['12-03-2', '12-3-10'],
  ['12', '12-1'],
  ['12-1', 'A-1'],
  ['A-1', 'B-1'],
  ['B-1', null],
])('%s stands before %s', (a, b) => {
  expect(byShelf(a, b)).toBeLessThan(0);
  expect(byShelf(b, a)).toBeGreaterThan(0);
});

it('a tag says in words what it holds', () => {
  const run = offer('run', TEN_OFF, {
    ...week('2027-03-02T00:00', '2027-03-07T00:00'),
    label: { default: 'Oil week', es: 'Semana del aceite' },
    badge: { default: 'Cold pressed' },
  });
  const { document, compiled, tags } = asked([run, offer('three', THREE)], '2027-03-02');
  const said = tagText(tags[0]!, {
    ...{ currency: compiled.plan.currency, names: namesOf(document), language: 'es-ES', tellsLowest: true },
    promotion: (id) => document.promotions.find((one) => one.id === id),
  });
  expect(said).toMatchObject({
    ...{ price: { whole: '9', decimals: '.00', currency: 'EUR' }, reduced: true },
    ...{ label: 'Semana del aceite', badge: 'Cold pressed', was: 'was 10.00', until: 'until Sat 6 Mar' },
    ...{ perUnit: '12.00 a litre', lowest: 'lowest of the 30 days before: 10.00' },
    deals: [{ words: '3 for 11.00 EUR, mixed', who: null, until: null }],
  });
});

describe('an edition', () => {
  const own = (id: string, group: string, setTo: string) =>
    offer(id, { ...TEN_OFF, formula: { setTo } } as PromotionDocument['offer'], {
      ...week('2027-03-01T00:00', '2027-03-04T00:00'),
      who: { groups: [group] },
    });
  const both = [own('a', 'zebras', '8.00'), own('b', 'ants', '7.00')];
  const editionOf = (promotions: PromotionDocument[], day = '2027-03-01') =>
    asked(promotions, day, {
      which: 'all',
      shopperGroups: ['zebras', 'ants'].map((id) => ({ id, name: id })),
    }).tags.find(({ sku }) => sku === 'oil')!.edition;

  it('is the same however the plan was put together, and on every day on which the tag is', () => {
    expect(editionOf([...both].reverse())).toBe(editionOf(both));
    expect(editionOf(both, '2027-03-02')).toBe(editionOf(both));
  });

  it('is another where the tag says anything else', () => {
    const others = [
      [both[0]!],
      [both[0]!, own('b', 'ants', '7.10')],
      [both[0]!, { ...both[1]!, label: { default: 'Ants first' } }],
      [both[0]!, { ...both[1]!, when: { from: '2027-03-01T00:00', to: '2027-03-05T00:00' } }],
    ].map((promotions) => editionOf(promotions));
    expect(new Set([editionOf(both), ...others]).size).toBe(others.length + 1);
  });
});
