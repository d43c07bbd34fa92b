export { type AmountColumn, amountColumn } from './amount-column.ts';
export type { Codec } from './codec.ts';
export * as codecs from './codecs.ts';
export { ownPrices } from './goods.ts';
export { present } from './present.ts';
export { fromRow, toRow } from './promotions.ts';
export { promotionTargets, type Target } from './rule-targets.ts';
export * from './write-rows.ts';
