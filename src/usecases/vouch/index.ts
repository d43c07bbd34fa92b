export * from './tries.ts';
export * from './vouch-codes.ts';
