export { Codes } from './codes.tsx';
export { FindCode } from './find-code.tsx';
