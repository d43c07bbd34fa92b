export { type TrialLine, withMore } from './lines.ts';
export { PrintedReceipt } from './receipt.tsx';
