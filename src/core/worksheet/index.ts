export * from './hand-prices.ts';
export * from './reprice-lines.ts';
export * from './run-passes.ts';
export * from './sheet-line.ts';
export * from './sheet-lines.ts';
export * from './sheet-place.ts';
export * from './sheet-prices.ts';
export * from './sheet-view.ts';
