export * from './code-pattern.ts';
export * from './draw-code.ts';
export * from './hardness.ts';
export * from './normal-code.ts';
export * from './normal-codes.ts';
export { isUnfortunate } from './unfortunate.ts';
