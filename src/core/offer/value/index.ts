export * from './price-under.ts';
export * from './value.ts';
