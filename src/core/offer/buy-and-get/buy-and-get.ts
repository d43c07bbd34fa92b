import type { OfferInPlan } from '../room/in-plan.ts';
import type { OfferPart, OfferPartDocument } from '../room/offer-part.ts';
import { checkValue, UNIT_VALUES } from '../value/check.ts';
import { readUnitValue, type UnitValue, type ValueDocument } from '../value/index.ts';

export interface BuyAndGetDocument {
  kind: 'mixAndMatch';
  buy: OfferPartDocument[];
  get: OfferPartDocument;
  notDearer?: boolean;
  value: ValueDocument;
}

export interface BuyAndGet {
  readonly kind: 'buyAndGet';
  readonly buy: readonly OfferPart[];
  readonly get: OfferPart;
  readonly notDearer: boolean;
  readonly value: UnitValue;
}

export const buyAndGet: OfferInPlan<BuyAndGetDocument, BuyAndGet> = {
  over: 'units',
  check: ({ value }, { path, context }) => checkValue(value, UNIT_VALUES, [...path, 'value'], context),
  read: ({ buy, get, notDearer = false, value }, currency) => ({
    kind: 'buyAndGet',
    buy,
    get,
    notDearer,
    value: readUnitValue(value, currency),
  }),
  withRules: (offer, map) => ({
    ...offer,
    buy: offer.buy.map((part, i) => ({ ...part, items: map(part.items, ['buy', i, 'items']) })),
    get: { ...offer.get, items: map(offer.get.items, ['get', 'items']) },
  }),
};
