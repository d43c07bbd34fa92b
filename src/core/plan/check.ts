import type { Fault } from '../checking/index.ts';
import { checkContext } from '../checking/index.ts';
import { currencyOf } from '../money/index.ts';
import { checkGoods, checkPlaces, unique } from './check-catalogue.ts';
import { checkPromotion } from './check-promotion.ts';
import type { PlanDocument } from './document.ts';

/**
 * The faults of a document whose shape is right: unknown references, cycles, bad money, impossible times …
 * @returns in the order of the document; empty where it may be read.
 */
export function checkPlan(document: PlanDocument): Fault[] {
  const faults: Fault[] = [];
  const currency = currencyOf(document.currency);
  if (!currency) {
    return [
      {
        path: ['currency'],
        what: `"${document.currency}" is no currency code`,
        wanted: 'three capital letters of ISO 4217',
      },
    ];
  }
  const context = checkContext(document, currency, faults);
  checkGoods(context);
  checkPlaces(context);
  unique(document.promotions, 'promotions', 'id', context);
  document.promotions.forEach((promotion, i) => {
    checkPromotion(promotion, ['promotions', i], context);
  });
  return faults;
}
