export * from './consequences.ts';
export * from './margin.ts';
