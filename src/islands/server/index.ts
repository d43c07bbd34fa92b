export * from './ask.ts';
export * from './use-leave-warning.ts';
export * from './use-resting.ts';
export * from './with-server.tsx';
