export type { SheetOutcome } from '../draft/outcome.ts';
export type { Repricing } from './use-worksheet.ts';
export { Worksheet } from './worksheet.tsx';
