export * from './assumptions.ts';
export { MOST_DAYS } from './days-of.ts';
export * from './last-time.ts';
export * from './outlook.ts';
export type { Compared, Sums } from './sums.ts';
export * from './week.ts';
