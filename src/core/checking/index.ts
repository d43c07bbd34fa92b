export * from './check-context.ts';
export { checkRounding } from './check-rounding.ts';
export * from './check-rule.ts';
export * from './fault.ts';
export * from './with-article.ts';
