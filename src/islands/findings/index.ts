export * from './finding-line.tsx';
export * from './findings.tsx';
export * from './findings-query.ts';
export { MendLinks } from './mend-links.tsx';
