export * from './ask.ts';
export * from './lines-of.ts';
export * from './read-anew.ts';
export * from './save-file.ts';
export { type Doing, refusalWords, useDoing } from './use-doing.ts';
export * from './use-leave-warning.ts';
export * from './use-resting.ts';
export * from './use-same.ts';
export * from './with-server.tsx';
