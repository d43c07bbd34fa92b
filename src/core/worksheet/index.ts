export * from './run-passes.ts';
export * from './sheet-lines.ts';
export * from './sheet-view.ts';
