export * from './grid-file.ts';
export * from './look-at-grid.ts';
export * from './look-at-timeline.ts';
