export * from './begin-chain.ts';
export * from './first-administrator.ts';
export * from './what-is-missing.ts';
