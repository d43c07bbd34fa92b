export * from './consequences.ts';
export * from './margin.ts';
export * from './supplier-terms.ts';
