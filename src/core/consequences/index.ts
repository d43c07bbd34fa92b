export * from './across-stores.ts';
export * from './asked-through.ts';
export * from './changed-prices.ts';
export * from './consequences.ts';
export * from './margin.ts';
export * from './promotions-reached.ts';
export * from './shut-hours.ts';
export * from './supplier-terms.ts';
