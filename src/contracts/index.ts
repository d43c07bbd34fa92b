export * from './parse-plan.ts';
export * from './plan-document.ts';
export * from './shape.ts';
