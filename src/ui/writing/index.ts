export * from './as-typed.ts';
export * from './cell.ts';
export * from './moment.ts';
export * from './numbers.ts';
export * from './reader.ts';
