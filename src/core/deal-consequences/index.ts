export { type ChangedDeal, changedDeal } from './changed-deal.ts';
export * from './deal-consequences.ts';
export { type DealStep, dealStep } from './deal-steps.ts';
export type { DealWarning } from './deal-warnings.ts';
export { fittingBasket } from './fitting-basket.ts';
export type { Rival } from './rivals.ts';
export { PICKS, type Pick, type SampleBasket } from './sample-baskets.ts';
