export * from './outcome.ts';
export * from './parse-plan.ts';
export * from './plan-document.ts';
export * from './price-file.ts';
export * from './replies.ts';
export * from './requests.ts';
export * from './roles.ts';
export * from './shape.ts';
