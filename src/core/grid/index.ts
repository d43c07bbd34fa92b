export * from './grid.ts';
export * from './side.ts';
