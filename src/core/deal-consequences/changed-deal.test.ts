import { expect, it } from 'vitest';
import { basketPlan, compiledOf, offer } from '../../../tests/plans/basket-plan.ts';
import { currencyOf } from '../money/index.ts';
import { type PromotionDocument, readPromotion } from '../plan/index.ts';
import type { BasketOfferPromotion } from '../price-book/index.ts';
import { changedDeal } from './index.ts';

const EUR = currencyOf('EUR')!;
const GOODS = { mint: { cost: '2.00', prices: [{ price: '4.00' }] } };
const deal = (take: number, total: string, more: Partial<PromotionDocument> = {}) =>
  offer('deal', { kind: 'mixAndMatch', items: { items: ['mint'] }, take, value: { total } }, more);
const read = (promotion: PromotionDocument) => readPromotion(promotion, EUR) as BasketOfferPromotion;

function changed(standing: PromotionDocument, change: PromotionDocument) {
  const compiled = compiledOf(basketPlan(GOODS, [standing]));
  return changedDeal(compiled, read(standing), read(change), compiled.plan.stores[0]!.id);
}

it('rings the baskets of both forms with each of them, those that differ most first', () => {
  expect(changed(deal(2, '7.00'), deal(3, '9.00'))?.baskets).toEqual([
    { lines: [{ sku: 'mint', quantity: 3 }], before: 1_100, after: 900 },
    { lines: [{ sku: 'mint', quantity: 2 }], before: 700, after: 800 },
  ]);
});

it('shows what a paused deal would be, as if it were approved', () => {
  const paused = deal(2, '7.00', { status: 'paused' });
  expect(changed(paused, { ...paused, ...deal(2, '6.00') })?.baskets).toEqual([
    { lines: [{ sku: 'mint', quantity: 2 }], before: 700, after: 600 },
  ]);
});

it('is nothing where the deal counts in no store', () => {
  const nowhere = { where: { stores: [] } };
  expect(changed(deal(2, '7.00', nowhere), deal(2, '6.00', nowhere))).toBeNull();
});
