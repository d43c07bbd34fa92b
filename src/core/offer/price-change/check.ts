import { type CheckContext, checkRounding, type Fault } from '../../checking/index.ts';
import type { PromotionDocument } from '../../plan/index.ts';
import type { OfferCheck } from '../room/in-plan.ts';
import { checkFormula } from './check-formula.ts';
import { checkLinePrices, checkLinePricesIn } from './check-line-prices.ts';
import { checkWorksheet } from './check-worksheet.ts';
import { hasLinePrices } from './line-prices.ts';
import type { PriceChangeDocument } from './price-change.ts';

/** Pricing rules 3.3 to 3.5: what a price change may say, and what it may not say together. */
export function checkPriceChange(offer: PriceChangeDocument, { promotion, path, context }: OfferCheck): void {
  if (offer.rounding) checkRounding(offer.rounding, [...path, 'rounding'], context);
  if (offer.formula) checkFormula(offer.formula, [...path, 'formula'], context);
  if (offer.worksheet) checkWorksheet(offer.worksheet, [...path, 'worksheet'], context);
  checkLinePrices(offer.linePrices, [...path, 'linePrices'], context);
  checkLinePricesIn(offer.linePricesIn, [...path, 'linePricesIn'], context);
  if (!offer.formula && !hasLinePrices(offer)) {
    context.fault(path, 'a price change without a formula or line prices', '`formula`, `linePrices` or both');
  }
  if (offer.onTop) checkOnTop(promotion, offer, path, context);
}

function checkOnTop(
  promotion: PromotionDocument,
  offer: PriceChangeDocument,
  path: Fault['path'],
  context: CheckContext,
): void {
  const known = 'percentOff, amountOff or multiplyBy';
  const { formula } = offer;
  if (promotion.alone) context.fault([...path, 'onTop'], '`alone` together with `onTop`', 'one of the two');
  if (hasLinePrices(offer))
    context.fault(
      [...path, Object.keys(offer.linePrices ?? {}).length > 0 ? 'linePrices' : 'linePricesIn'],
      'line prices in a change on top',
      known,
    );
  if (!formula) return;
  if (!('percentOff' in formula || 'amountOff' in formula || 'multiplyBy' in formula)) {
    context.fault([...path, 'formula'], 'a change on top with another formula', known);
  } else if (formula.basis !== undefined && formula.basis !== 'base') {
    context.fault(
      [...path, 'formula', 'basis'],
      'a change on top works on the running price',
      'no basis, or `of: "base"` beside a percentage',
    );
  }
}
