export * from './ask-price.ts';
export * from './ask-price-across.ts';
export * from './basket-checks.ts';
export * from './resolve-lens.ts';
export * from './ring-trial-basket.ts';
export * from './shopper-of.ts';
export * from './trial-basket-view.ts';
