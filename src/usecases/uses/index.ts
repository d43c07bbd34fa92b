export * from './count-uses.ts';
export * from './look-at-uses.ts';
