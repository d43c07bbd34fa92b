export * from './amount.ts';
export * from './currency.ts';
export * from './half-away-from-zero.ts';
export * from './ratio.ts';
export * from './rounding.ts';
export * from './thousandths.ts';
