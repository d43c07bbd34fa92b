export * from './ask.ts';
export * from './with-server.tsx';
