export * from './basket-document.ts';
export * from './outcome.ts';
export * from './parse-plan.ts';
export * from './plan-document.ts';
export * from './price-file.ts';
export * from './requests.ts';
export * from './shape.ts';
export * from './view/index.ts';
