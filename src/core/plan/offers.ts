import type { BasketReward, BasketRewardDocument } from '../offer/basket-reward/basket-reward.ts';
import { basketReward } from '../offer/basket-reward/basket-reward.ts';
import { type Bundle, type BundleDocument, bundle } from '../offer/bundle/bundle.ts';
import { type BuyAndGet, type BuyAndGetDocument, buyAndGet } from '../offer/buy-and-get/buy-and-get.ts';
import { type Combo, type ComboDocument, combo } from '../offer/combo/combo.ts';
import {
  type DeliveryReward,
  type DeliveryRewardDocument,
  deliveryReward,
} from '../offer/delivery-reward/delivery-reward.ts';
import { type FreeGoods, type FreeGoodsDocument, freeGoods } from '../offer/free-goods/free-goods.ts';
import type { OfferInPlan } from '../offer/index.ts';
import {
  type PriceChange,
  type PriceChangeDocument,
  priceChange,
} from '../offer/price-change/price-change.ts';
import {
  type QuantityBreak,
  type QuantityBreakDocument,
  quantityBreak,
} from '../offer/quantity-break/quantity-break.ts';
import { type RewardUnit, type RewardUnitDocument, rewardUnit } from '../offer/reward-unit/reward-unit.ts';

export type * from '../offer/basket-reward/basket-reward.ts';
export type * from '../offer/bundle/bundle.ts';
export type * from '../offer/buy-and-get/buy-and-get.ts';
export type * from '../offer/combo/combo.ts';
export type * from '../offer/delivery-reward/delivery-reward.ts';
export type * from '../offer/free-goods/free-goods.ts';
export type * from '../offer/price-change/price-change.ts';
export type * from '../offer/quantity-break/quantity-break.ts';
export type * from '../offer/reward-unit/reward-unit.ts';

/** Every kind of offer as it stands in a document. */
export interface OfferDocuments {
  priceChange: PriceChangeDocument;
  quantityBreak: QuantityBreakDocument;
  bundle: BundleDocument;
  rewardUnit: RewardUnitDocument;
  buyAndGet: BuyAndGetDocument;
  combo: ComboDocument;
  freeGoods: FreeGoodsDocument;
  basketReward: BasketRewardDocument;
  deliveryReward: DeliveryRewardDocument;
}

/** Every kind of offer as the core computes with it. */
export interface Offers {
  priceChange: PriceChange;
  quantityBreak: QuantityBreak;
  bundle: Bundle;
  rewardUnit: RewardUnit;
  buyAndGet: BuyAndGet;
  combo: Combo;
  freeGoods: FreeGoods;
  basketReward: BasketReward;
  deliveryReward: DeliveryReward;
}

const ROOMS: { readonly [K in OfferKind]: OfferInPlan<OfferDocuments[K], Offers[K]> } = {
  priceChange,
  quantityBreak,
  bundle,
  rewardUnit,
  buyAndGet,
  combo,
  freeGoods,
  basketReward,
  deliveryReward,
};

export type OfferKind = keyof Offers;
export type Offer = Offers[OfferKind];
export type OfferDocument = OfferDocuments[OfferKind];
export type BasketOfferKind = Exclude<OfferKind, 'priceChange'>;
export type BasketOffer = Offers[BasketOfferKind];
export type BasketOfferDocument = OfferDocuments[BasketOfferKind];

/** Which of the kinds an offer is; the one place where the forms of a mix-and-match are told apart. */
export function kindOf(offer: BasketOfferDocument | BasketOffer): BasketOfferKind;
export function kindOf(offer: OfferDocument | Offer): OfferKind;
export function kindOf(offer: OfferDocument | Offer): OfferKind {
  if (offer.kind !== 'mixAndMatch') return offer.kind;
  if ('buy' in offer) return 'buyAndGet';
  return 'rewarded' in offer ? 'rewardUnit' : 'bundle';
}

/** What the plan knows of an offer's kind. */
export const roomOf = (offer: OfferDocument | Offer): OfferInPlan<OfferDocument, Offer> =>
  ROOMS[kindOf(offer)];
