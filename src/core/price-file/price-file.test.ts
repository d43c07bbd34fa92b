import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { generatedBasket } from '../../../tests/oracle/generated-baskets.ts';
import { basketOf, basketPlan, NOON, offer, ring } from '../../../tests/plans/basket-plan.ts';
import { change, compiled, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { parsePlan } from '../../contracts/index.ts';
import { parseMoment } from '../calendar/index.ts';
import type { PlanDocument } from '../plan/index.ts';
import { isEmpty, manifestOf, storeDifference, storePlan } from './index.ts';

function fileOf(document: PlanDocument, store: string, at = '2027-04-14T12:00'): PlanDocument {
  const plan = compiled(document);
  return storePlan(document, plan, store, parseMoment(at, plan.clockOf(plan.stores.get(store)!))!);
}

describe('what a store’s price file holds', () => {
  const document = {
    ...withPromotions(
      change('everywhere'),
      change('east-only', { where: { group: 'city' }, linePrices: { milk: '9.00', bar: '0.50' } }),
      change('draft', { status: 'draft' }),
      change('over', { when: { from: '2027-03-01T00:00', to: '2027-03-02T00:00' } }),
    ),
    ranges: [{ id: 'r', name: 'Beauty', stores: { all: true as const }, items: { node: 'beauty' } }],
  };

  it('is the approved promotions of that store that are not over', () => {
    expect(fileOf(document, 'east').promotions.map(({ id }) => id)).toEqual(['everywhere', 'east-only']);
    expect(fileOf(document, 'west').promotions.map(({ id }) => id)).toEqual(['everywhere']);
  });

  it('is only what the store carries, with parents, and only prices that can count there', () => {
    expect(fileOf(document, 'east').items.map(({ sku }) => sku)).toEqual([
      'milk',
      'spray',
      'oil',
      'gel',
      'gel-50',
      'gel-90',
    ]);
    const bar = fileOf({ ...SMALL }, 'east').items.find(({ sku }) => sku === 'bar');
    expect(bar?.prices).toEqual([{ price: '1.00' }, { price: '1.20', since: '2027-06-01' }]);
  });

  it('names no item that the store does not carry, and is a plan without faults', () => {
    const file = fileOf(document, 'east');
    expect(JSON.stringify(file)).not.toContain('"bar":"0.50"');
    expect(parsePlan(file)).toMatchObject({ ok: true });
  });
});

it('holds the line prices of its store as such, and those of no other place', () => {
  const document = withPromotions(
    change('lines', {
      linePrices: { milk: '20.00', bar: '0.90' },
      linePricesIn: [
        { zone: 'main', prices: { milk: '19.00', spray: '8.00' } },
        { store: 'east', prices: { milk: '18.00' } },
        { store: 'west', prices: { oil: '5.55' } },
      ],
    }),
  );
  const pricesOf = (store: string) => fileOf(document, store).promotions.map(({ offer }) => offer);
  expect(pricesOf('east')).toMatchObject([{ linePrices: { milk: '18.00', spray: '8.00', bar: '0.90' } }]);
  expect(JSON.stringify(pricesOf('east'))).not.toContain('5.55');
  expect(pricesOf('west')).toMatchObject([{ linePrices: { milk: '20.00', oil: '5.55', bar: '0.90' } }]);
});

it('says nothing of shelves and hours, which change without a price', () => {
  const document = {
    ...SMALL,
    items: SMALL.items.map((item) => ({ ...item, shelf: '1-2' })),
    stores: SMALL.stores.map((store) => ({
      ...store,
      hours: [{ from: '09:00', to: '20:00' }],
      shelves: { unpriced: '3-1' },
    })),
  };
  expect(fileOf(document, 'east')).toEqual(fileOf(SMALL, 'east'));
});

it('leaves out a price change by lines of which the store carries none', () => {
  const plan = {
    ...basketPlan({ a: '1.00', b: '2.00' }, [
      offer('lines', { kind: 'priceChange', items: { items: ['b'] }, linePrices: { b: '1.50' } }),
    ]),
    ranges: [{ id: 'r', name: 'A', stores: { all: true as const }, items: { items: ['a'] } }],
  };
  const file = fileOf(plan, 'shop', NOON);
  expect(file.promotions).toEqual([]);
  expect(parsePlan(file)).toMatchObject({ ok: true });
});

describe('deals in a store’s price file', () => {
  const ranges = [
    { id: 'r', name: 'Most', stores: { all: true as const }, items: { items: ['a', 'b', 'c', 'd'] } },
  ];

  it('name nothing that the store does not have, and are a plan without faults', () => {
    const reward = (combinesWith: string[]) => ({
      kind: 'basketReward' as const,
      threshold: 'subtotal' as const,
      tiers: [{ atLeast: '1.00', percentOff: 100 }],
      combinesWith,
    });
    const plan = {
      ...basketPlan({ a: '1.00', b: '2.00', e: '3.00' }, [
        offer('gift', {
          kind: 'freeGoods',
          items: { items: ['a'] },
          count: 'set',
          every: 2,
          free: 1,
          parts: 'whole',
          gift: 'e',
        }),
        offer('menu', {
          kind: 'combo',
          slots: [{ name: 'one', items: { items: ['a', 'e'] }, quantity: 1 }],
          value: { total: '0.50' },
          extra: { a: '0.10', e: '0.20' },
        }),
        offer('kept', reward(['gone'])),
        offer('gone', reward(['kept']), { status: 'draft' }),
      ]),
      ranges: [{ ...ranges[0]!, items: { items: ['a', 'b'] } }],
    };
    const file = fileOf(plan, 'shop');
    expect(parsePlan(file)).toMatchObject({ ok: true });
    expect(file.promotions.map(({ id }) => id)).toEqual(['menu', 'kept']);
    expect(file.promotions[0]!.offer).toMatchObject({
      extra: { a: '0.10' },
      slots: [{ items: { items: ['a'] } }],
    });
    expect(file.promotions[1]!.offer).toMatchObject({ combinesWith: [] });
  });

  it('give the same receipts as the whole plan', () => {
    fc.assert(
      fc.property(generatedBasket({ units: 8, offers: 4 }), (made) => {
        const plan = { ...made.plan, ranges };
        const basket = basketOf(made.lines);
        // What is not carried is told in other words where it is not even known.
        const rung = ({ problems: _, lines, ...rest }: ReturnType<typeof ring>) => ({
          ...rest,
          lines: lines.map(({ sku, net, reductions }) => ({ sku, net, reductions })),
        });
        expect(rung(ring(fileOf(plan, 'shop', NOON), basket))).toEqual(rung(ring(plan, basket)));
      }),
      { numRuns: 150 },
    );
  });
});

describe('the difference between what was sent and what would be', () => {
  const before = manifestOf(fileOf(withPromotions(change('a'), change('b')), 'east'));
  const compare = (document: PlanDocument) => storeDifference(before, manifestOf(fileOf(document, 'east')));

  it('is empty for the same plan, whatever the order of its keys', () => {
    const turned = change('a');
    const document = withPromotions(
      Object.fromEntries(Object.entries(turned).reverse()) as never,
      change('b'),
    );
    expect(isEmpty(compare(document))).toBe(true);
  });

  it('names what is new, changed and gone', () => {
    const document = withPromotions(change('a', { priority: 7 }), change('c'));
    expect(compare(document).promotions).toEqual({ added: ['c'], changed: ['a'], gone: ['b'] });
  });

  it('names items with another price', () => {
    const items = SMALL.items.map((item) =>
      item.sku === 'oil' ? { ...item, prices: [{ price: '7.77' }] } : item,
    );
    const found = compare({ ...withPromotions(change('a'), change('b')), items: items.slice(0, -1) });
    expect(found.items).toEqual({ added: [], changed: ['oil'], gone: ['unpriced'] });
  });

  it('sees that lists or sets differ', () => {
    const document = { ...withPromotions(change('a'), change('b')), itemSets: [] };
    expect(compare(document)).toMatchObject({
      ...{ other: true, promotions: { added: [] } },
      named: [{ part: 'itemSets', id: 'summer' }],
    });
  });

  it('does not say which, where what was sent was before names were kept', () => {
    const { named: _, ...older } = before;
    const after = manifestOf(fileOf({ ...withPromotions(change('a'), change('b')), itemSets: [] }, 'east'));
    expect(storeDifference(older, after)).toMatchObject({ other: true, named: [] });
  });

  it('is everything where nothing was sent', () => {
    const first = storeDifference(null, before);
    expect(first.promotions.added).toEqual(['a', 'b']);
    expect(first.items.added).toHaveLength(SMALL.items.length);
    expect(isEmpty(first)).toBe(false);
  });
});
