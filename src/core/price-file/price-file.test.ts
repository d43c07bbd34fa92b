import { describe, expect, it } from 'vitest';
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
    expect(compare(document)).toMatchObject({ other: true, promotions: { added: [] } });
  });

  it('is everything where nothing was sent', () => {
    const first = storeDifference(null, before);
    expect(first.promotions.added).toEqual(['a', 'b']);
    expect(first.items.added).toHaveLength(SMALL.items.length);
    expect(isEmpty(first)).toBe(false);
  });
});
