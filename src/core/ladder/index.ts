export * from './deals-on.ts';
export * from './unit-ladder.ts';
