export * from './hang-tags.ts';
export * from './look-at-tags.ts';
export * from './print-tags.ts';
export * from './shelves-due.ts';
