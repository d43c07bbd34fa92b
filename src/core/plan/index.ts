export * from './check.ts';
export { checkContext } from './check-context.ts';
export { checkPromotion } from './check-promotion.ts';
export { checkItemRule, checkStoreRule } from './check-rule.ts';
export * from './document.ts';
export * from './fault.ts';
export * from './gtin.ts';
export * from './model.ts';
export * from './read.ts';
