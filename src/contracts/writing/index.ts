export * from './reader-language.ts';
export * from './writing-in.ts';
