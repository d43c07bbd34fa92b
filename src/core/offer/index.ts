export { besideThose, isBasketReward } from './basket-reward/basket-reward.ts';
export { amountOf } from './basket-reward/in-basket.ts';
export { pictureOf } from './combo/combo.ts';
export type { Conditions, ConditionsDocument } from './conditions/conditions.ts';
export { COUNT_WORDS, type CountedBy } from './counted/counted-by.ts';
export { isDeliveryReward, waysNamedBy } from './delivery-reward/delivery-reward.ts';
export { giftOf } from './free-goods/free-goods.ts';
export {
  type Basis,
  type BasisKind,
  type Formula,
  type FormulaDocument,
  readFormula,
} from './price-change/formula.ts';
export * from './price-change/line-prices.ts';
export type * from './room/goods.ts';
export type * from './room/in-basket.ts';
export { type MapRule, type OfferCheck, type OfferInPlan, only } from './room/in-plan.ts';
export {
  NOTHING_CHOSEN,
  type OfferInWords,
  type OfferName,
  type Phrase,
  type PhrasePart,
  type TagWords,
} from './room/in-words.ts';
export type * from './room/offer-automaton.ts';
export type * from './room/offer-part.ts';
export * from './room/unit.ts';
export * from './value/index.ts';
