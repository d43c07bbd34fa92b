import { describe, expect, it } from 'vitest';
import { ask, change, compiled, SMALL, short } from '../../../tests/plans/small-plan.ts';
import type { PlanDocument } from '../plan/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { book, NO_PRICE, timeline } from './index.ts';

const RETIRED: PlanDocument = {
  ...SMALL,
  items: SMALL.items.map((item) => (item.sku === 'milk' ? { ...item, retired: '2027-04-15' } : item)),
  promotions: [change('sun', { items: { node: 'sun' } })],
};
const instant = (text: string) => Date.parse(text) as never;

describe('a retired item', () => {
  it.each([
    ['2027-04-14T23:59', '22.41 by sun'],
    ['2027-04-15T00:00', 'retired'],
    ['2027-05-01T12:00', 'retired'],
  ])('at %s of the store is %s', (at, wanted) => {
    expect(short(ask(RETIRED, { at }), RETIRED)).toBe(wanted);
  });

  it('goes at midnight of each store', () => {
    expect(short(ask(RETIRED, { store: 'west', at: '2027-04-14T23:30' }), RETIRED)).toBe('22.41 by sun');
    expect(short(ask(RETIRED, { store: 'west', at: '2027-04-15T00:00' }), RETIRED)).toBe('retired');
  });

  it('is not in the book, and its timeline ends', () => {
    const plan = compiled(RETIRED);
    const index = plan.catalogue.indexOf.get('milk')!;
    const priceOn = (text: string) => book(plan, instant(text), ['east']).prices[index];
    expect([priceOn('2027-04-14T12:00Z'), priceOn('2027-04-15T12:00Z')]).toEqual([2241, NO_PRICE]);
    const steps = timeline(
      plan,
      { sku: 'milk', store: 'east', shopper: GUEST },
      { from: instant('2027-04-14T00:00Z'), to: instant('2027-04-20T00:00Z') },
    );
    expect(steps.map(({ price, from }) => [price, new Date(from).toISOString()])).toEqual([
      [2241, '2027-04-14T00:00:00.000Z'],
      [null, '2027-04-14T22:00:00.000Z'],
    ]);
  });
});
