export * from './pair.ts';
