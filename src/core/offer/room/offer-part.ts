import type { ItemRule } from '../../plan/index.ts';

/** So many units of some goods. */
export interface OfferPart {
  readonly items: ItemRule;
  readonly quantity: number;
}

/** The same as it stands in a document. */
export interface OfferPartDocument {
  items: ItemRule;
  quantity: number;
}
