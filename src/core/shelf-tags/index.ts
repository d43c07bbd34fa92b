export { dueTags } from './due-tags.ts';
export { NONE_HANGS } from './edition.ts';
export * from './opening.ts';
export * from './shelf-order.ts';
export * from './shelf-tags.ts';
export { type DealOnTag, type PriceForSome, promotionsOn, type Standing } from './standing.ts';
export * from './tag-text.ts';
export type { UnitPrice } from './unit-price.ts';
