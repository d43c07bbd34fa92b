export * from './all-batches.ts';
export { takeCodeFile, takeCodeList, throwOldListsAway } from './code-list.ts';
export * from './fill-batches.ts';
export * from './find-code.ts';
export { lookAtCodeBatches } from './look-at-batches.ts';
export { makeCodeBatch } from './make-batch.ts';
export * from './step-batch.ts';
export * from './tried-codes.ts';
