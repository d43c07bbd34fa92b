export * from './who-is.ts';
