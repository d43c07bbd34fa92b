export * from './apply.ts';
export { barOf, DEFAULT_CHANNEL, type Placed, type Situation } from './bar.ts';
export * from './book.ts';
export * from './compiled-offer.ts';
export * from './compiled-plan.ts';
export { listsFor, type PriceQuestion, priceAt, pricesIn, sellable, situationOf } from './price-at.ts';
export * from './price-table.ts';
export * from './shelf.ts';
export * from './timeline.ts';
