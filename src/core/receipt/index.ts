export * from './basket.ts';
export * from './basket-document.ts';
export type { LiveReward } from './choose-rewards.ts';
export * from './code-worth.ts';
export { liveRewards } from './live-rewards.ts';
export { promotionsOnGoods } from './named-promotions.ts';
export { offersInBasket } from './offers-in-basket.ts';
export { isDiscounted, type Piece, piecesOf } from './piece.ts';
export * from './read-basket.ts';
export * from './receipt.ts';
export * from './receipt-document.ts';
export { type RungBasket, ring, ringBasket } from './ring.ts';
export { type Ringing, ringingOf, unlimitedRinging } from './ringing.ts';
export * from './saved-by.ts';
export * from './second-best.ts';
export { isUnitOffer, judgedRoom, type UnitOfferPromotion, unitOfferRoom } from './unit-offers.ts';
export {
  batchCodeKey,
  batchOfKey,
  codeKey,
  shopperKey,
  unitsKey,
  unitsOfCodeKey,
  withoutUnits,
} from './use-keys.ts';
export { shopperLimitsOf } from './use-limits.ts';
export * from './vouched-code.ts';
export * from './wanted-uses.ts';
