export * from './normal-code.ts';
export * from './normal-codes.ts';
