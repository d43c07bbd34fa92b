export {
  type PriceFileContent,
  storePlan,
  storePlans,
} from './content.ts';
export * from './difference.ts';
export * from './held-back.ts';
export * from './manifest.ts';
export * from './number.ts';
export * from './pictures.ts';
