import {
  askPrice,
  askPriceAcross,
  beginPromotion,
  findTouching,
  keepFindings,
  keepLoopholes,
  listChoices,
  listPromotions,
  listTemplates,
  listTerminals,
  listWaitingEntries,
  lookAtItem,
  lookAtStockroom,
  lookAtStore,
  lookAtTerminal,
  lookAtToday,
  openEntry,
  openPastPromotion,
  openPromotion,
  renewEpoch,
  renewPriceFiles,
  resolveLens,
  runBasketChecks,
  searchItems,
} from '../../usecases/index.ts';

/**
 * What pages and small endpoints ask of the plan; plain data goes in and out. The plan lives in the threads alone: the
 * one that serves neither holds it nor puts it together anew when it changes.
 */
export const QUICK_VALUES = {
  askPrice,
  askPriceAcross,
  beginPromotion,
  findTouching,
  listChoices,
  listPromotions,
  listTemplates,
  listTerminals,
  listWaitingEntries,
  lookAtItem,
  lookAtStockroom,
  lookAtStore,
  lookAtTerminal,
  openEntry,
  openPastPromotion,
  openPromotion,
  resolveLens,
  searchItems,
} as const;
export const HEAVY_VALUES = {
  ...QUICK_VALUES,
  keepFindings,
  keepLoopholes,
  lookAtToday,
  renewEpoch,
  renewPriceFiles,
  runBasketChecks,
} as const;

export type HeavyValue = keyof typeof HEAVY_VALUES;
type Rest<F> = F extends (ports: never, ...rest: infer R) => unknown ? R : never;
type Answer<F> = F extends (...args: never) => Promise<infer A> ? A : never;
export type ValueArgs<T extends HeavyValue> = Rest<(typeof HEAVY_VALUES)[T]>;
export type ValueAnswer<T extends HeavyValue> = Answer<(typeof HEAVY_VALUES)[T]>;
