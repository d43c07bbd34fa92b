export * from './finding-line.tsx';
export * from './findings.tsx';
export { MendLinks } from './mend-links.tsx';
