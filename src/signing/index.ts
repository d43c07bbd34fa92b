export * from './canonical-text.ts';
export * from './keys.ts';
export * from './newest.ts';
export * from './trust.ts';
