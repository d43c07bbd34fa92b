export * from './cells.ts';
export * from './grid.ts';
export * from './side.ts';
