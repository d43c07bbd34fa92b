export * from './finding-line.tsx';
export * from './findings.tsx';
