export * from './moved-to.ts';
