import type { ItemRule, Offer, OfferDocument } from '../../plan/index.ts';
import type { CountedBy } from '../counted/counted-by.ts';
import { type OfferInPlan, withItems } from '../room/in-plan.ts';

export interface FreeGoodsDocument {
  kind: 'freeGoods';
  items: ItemRule;
  count: CountedBy;
  minimum?: number;
  every: number;
  free: number;
  parts: 'whole' | 'prorated';
  gift?: string;
  maxFree?: number;
}

export interface FreeGoods {
  readonly kind: 'freeGoods';
  readonly items: ItemRule;
  readonly count: CountedBy;
  readonly minimum: number;
  readonly every: number;
  readonly free: number;
  readonly parts: 'whole' | 'prorated';
  /** The item that comes on top; null: the free units are out of the quantity. */
  readonly gift: string | null;
  readonly maxFree: number | null;
}

export const freeGoods: OfferInPlan<FreeGoodsDocument, FreeGoods> = {
  over: 'units',
  check({ gift }, { path, context }) {
    if (gift !== undefined) context.reference('item', gift, [...path, 'gift']);
  },
  read: (document) => ({
    kind: 'freeGoods',
    items: document.items,
    count: document.count,
    minimum: document.minimum ?? document.every,
    every: document.every,
    free: document.free,
    parts: document.parts,
    gift: document.gift ?? null,
    maxFree: document.maxFree ?? null,
  }),
  withRules: withItems,
  // A gift that the store does not carry is not given.
  atStore: (offer, skus) => (offer.gift === undefined || skus.has(offer.gift) ? offer : null),
};

/** The item that comes on top of what is bought; null: none does. */
export const giftOf = (offer: Offer | OfferDocument): string | null =>
  offer.kind === 'freeGoods' ? (offer.gift ?? null) : null;
