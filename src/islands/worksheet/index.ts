export type { SheetOutcome } from './outcome.ts';
export type { Repricing } from './use-worksheet.ts';
export { Worksheet } from './worksheet.tsx';
