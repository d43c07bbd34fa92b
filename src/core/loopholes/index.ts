export * from './cases.ts';
export * from './find-loopholes.ts';
export * from './loophole.ts';
export * from './search-key.ts';
