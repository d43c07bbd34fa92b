export * from './check/index.ts';
export * from './grid/index.ts';
export * from './past/index.ts';
export * from './people/index.ts';
export * from './plan/index.ts';
export type * from './ports/index.ts';
export * from './send/index.ts';
export * from './stockroom/index.ts';
export * from './today/index.ts';
