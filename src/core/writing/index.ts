export * from './dates.ts';
export * from './house.ts';
export * from './numbers.ts';
export * from './writing.ts';
