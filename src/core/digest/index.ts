export * from './digest.ts';
