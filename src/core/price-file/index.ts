export { changed, changeTo, inKeyOrder, type KeyedChange, type PriceFileChange } from './change.ts';
export {
  datesOf,
  type PriceFileContent,
  RENEWED_AFTER,
  storePlan,
  storePlans,
} from './content.ts';
export { type Difference, isEmpty, type StoreDifference, storeDifference } from './difference.ts';
export * from './held-back.ts';
export * from './manifest.ts';
export * from './number.ts';
export * from './pictures.ts';
