export { Findings } from './findings.tsx';
