export { takeCodeList, throwOldListsAway } from './code-list.ts';
export * from './fill-batches.ts';
export * from './find-code.ts';
export * from './look-at-batches.ts';
export { makeCodeBatch } from './make-batch.ts';
export * from './step-batch.ts';
export * from './vouch-codes.ts';
