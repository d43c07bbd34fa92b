export * from './find-of.ts';
export * from './find-overlaps.ts';
export * from './finding.ts';
export * from './mends.ts';
export * from './say-finding.ts';
