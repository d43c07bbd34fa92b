export { type Amounts, amounts, NO_PRICE } from './amounts.ts';
export * from './apply.ts';
export { barOf, DEFAULT_CHANNEL, type Placed, type Situation } from './bar.ts';
export * from './book.ts';
export * from './compiled-offer.ts';
export * from './compiled-plan.ts';
export { goodsOf } from './goods-of.ts';
export type { Ground } from './ground.ts';
export { type KnownShopper, knownShopper } from './known-shopper.ts';
export { firstFrom, forEachCell, layersOf, raisedOn, type Window } from './layer.ts';
export type { Asked } from './live.ts';
export { mixer } from './mixer.ts';
export { numbering } from './numbering.ts';
export {
  answer,
  type PriceQuestion,
  priceAt,
  pricesIn,
  sellable,
  situationOf,
  startingOf,
} from './price-at.ts';
export * from './price-table.ts';
export * from './selected-items.ts';
export * from './shelf.ts';
export * from './timeline.ts';
