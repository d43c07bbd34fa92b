export * from './api-key.ts';
export * from './canonical-text.ts';
export * from './first-code.ts';
export * from './keys.ts';
export * from './newest.ts';
export * from './terminal-key.ts';
export * from './trust.ts';
export * from './webhook.ts';
