export * from './opening.ts';
export * from './shelf-order.ts';
export * from './shelf-tags.ts';
export type * from './standing.ts';
export * from './tag-text.ts';
export type { UnitPrice } from './unit-price.ts';
