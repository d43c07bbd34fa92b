export * from './brought.ts';
export * from './sale-document.ts';
export * from './sum-results.ts';
