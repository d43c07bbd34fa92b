export { basketAddress, NO_EXTRAS } from './basket-address.ts';
export { type TrialLine, withMore } from './lines.ts';
export { PrintedReceipt } from './receipt.tsx';
