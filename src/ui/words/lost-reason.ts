import type { LostReason, PriceProblem } from '../../core/tag-price/index.ts';

/** Why a price change did not set the price, for the person who asks. */
export const LOST_REASON_WORDS: Readonly<Record<LostReason, string>> = {
  'switched-off': 'It is not approved, or it was paused or put away.',
  'wrong-store': 'It does not count in this store.',
  'wrong-channel': 'It does not count at the till.',
  'wrong-terminal': 'It counts at other terminals only.',
  'wrong-shopper': 'It is for other shoppers.',
  'needs-code': 'It needs a code.',
  'used-up': 'It was used as often as it may be.',
  'not-started': 'It had not started.',
  over: 'It was over.',
  'outside-hours': 'It was outside its hours and days.',
  'no-cost': 'The item has no cost to work from.',
  'no-list-price': 'The item has no price on the list that it works from.',
  'no-line-price': 'The item has no price of its own in it.',
  'would-raise': 'It would have raised the price, and may not.',
  'lower-priority': 'Another came first by priority.',
  'higher-price': 'Another of the same priority made a lower price.',
  'later-id': 'Another of the same priority and price came first by its id.',
  'winner-alone': 'The winner stands alone: nothing adds to it.',
  'not-lower': 'It would not have lowered the price any further.',
};

export const PRICE_PROBLEM_WORDS: Readonly<Record<PriceProblem, string>> = {
  'unknown-item': 'There is no such item.',
  'unknown-store': 'There is no such store.',
  parent: 'This is the parent of variants and is not sold itself. Choose one of its variants.',
  retired: 'The item is retired: from its last day on no store sells it.',
  'not-carried': 'This store does not carry the item: no range of the store holds it.',
  'no-price': 'The item has no regular price here on this day.',
};
