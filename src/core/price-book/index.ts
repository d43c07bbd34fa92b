export * from './apply.ts';
export { DEFAULT_CHANNEL } from './bar.ts';
export * from './book.ts';
export * from './compiled-plan.ts';
export { listsFor, type PriceQuestion, priceAt, sellable, situationOf } from './price-at.ts';
export * from './price-table.ts';
export * from './shelf.ts';
export * from './timeline.ts';
