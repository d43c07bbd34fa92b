export * from './look-at-today.ts';
