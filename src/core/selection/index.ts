export * from './catalogue.ts';
export * from './goods-outside.ts';
export * from './item-selection.ts';
export * from './store-selection.ts';
