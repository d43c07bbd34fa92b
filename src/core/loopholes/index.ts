export * from './cases.ts';
export * from './find-loopholes.ts';
export * from './loophole.ts';
