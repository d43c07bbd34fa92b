/** Why a price change that concerns an item does not set or lower its price. */
export const LOST_REASONS = [
  'switched-off',
  'wrong-store',
  'wrong-channel',
  'wrong-terminal',
  'wrong-shopper',
  'needs-code',
  'used-up',
  'not-started',
  'over',
  'outside-hours',
  'no-cost',
  'no-list-price',
  'no-line-price',
  'would-raise',
  'lower-priority',
  'higher-price',
  'later-id',
  'winner-alone',
  'not-lower',
] as const;
export type LostReason = (typeof LOST_REASONS)[number];

/** Why an item cannot be sold at a store at all. */
export const PRICE_PROBLEMS = [
  'unknown-item',
  'unknown-store',
  'parent',
  'retired',
  'not-carried',
  'no-price',
] as const;
export type PriceProblem = (typeof PRICE_PROBLEMS)[number];
