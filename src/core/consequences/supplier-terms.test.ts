import { describe, expect, it } from 'vitest';
import { change, compiled, SMALL } from '../../../tests/plans/small-plan.ts';
import { currencyOf } from '../money/index.ts';
import { type PromotionDocument, readPromotion, type SupplierTermsDocument } from '../plan/index.ts';
import { consequencesOf, outlived } from './index.ts';

const EUR = currencyOf('EUR')!;
const withTerms = (
  supplier: SupplierTermsDocument | undefined,
  to: string | undefined,
): PromotionDocument => ({
  ...change('a', { when: { from: '2027-03-01T09:00', ...(to ? { to } : {}) } }),
  ...(supplier ? { supplier } : {}),
});
const read = (...words: Parameters<typeof withTerms>) => readPromotion(withTerms(...words), EUR);

describe('a promotion that outlives its supplier’s terms', () => {
  it.each<[SupplierTermsDocument | undefined, string | undefined, object | null]>([
    [undefined, undefined, null],
    [{ to: '2027-03-14' }, '2027-03-14T20:00', null],
    [{ to: '2027-03-14' }, '2027-03-15T00:00', null],
    [{ to: '2027-03-14' }, '2027-03-21T20:00', { daysAfter: 7, cover: 100 }],
    [{ to: '2027-03-14', uplift: 8000 }, '2027-03-21T20:00', { daysAfter: 7, cover: 180 }],
    [{ to: '2027-03-14', uplift: 5000 }, '2027-03-16T12:00', { daysAfter: 2, cover: 43 }],
    [{ to: '2027-03-14' }, undefined, { daysAfter: null, cover: null }],
  ])('terms %j, an end at %s: %j', (terms, to, wanted) => {
    expect(outlived(read(terms, to))).toEqual(wanted);
  });
});

it('counts its margins with the cost under the terms, an item’s own first', () => {
  const terms = { to: '2027-03-14', cost: '6.00', costs: { milk: '10.00' } };
  const { lines } = consequencesOf(compiled(SMALL), read(terms, '2027-03-10T20:00'), 'east');
  const costs = Object.fromEntries(lines.map(({ sku, cost, margin }) => [sku, [cost, margin]]));
  expect(costs).toMatchObject({ milk: [1000, 5537], spray: [600, 3333], oil: [600, 1666] });
});
