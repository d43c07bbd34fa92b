import { basketRewardInWords } from '../offer/basket-reward/words.ts';
import { bundleInWords } from '../offer/bundle/words.ts';
import { buyAndGetInWords } from '../offer/buy-and-get/words.ts';
import { comboInWords } from '../offer/combo/words.ts';
import { deliveryRewardInWords } from '../offer/delivery-reward/words.ts';
import { freeGoodsInWords } from '../offer/free-goods/words.ts';
import type { OfferInWords, OfferName, Phrase, TagWords } from '../offer/index.ts';
import { PRICE_CHANGE_NAME } from '../offer/price-change/words.ts';
import { quantityBreakInWords } from '../offer/quantity-break/words.ts';
import { rewardUnitInWords } from '../offer/reward-unit/words.ts';
import {
  type BasketOfferDocument,
  type BasketOfferKind,
  kindOf,
  type OfferDocuments,
  type OfferKind,
} from '../plan/index.ts';
import type { Names } from '../words/index.ts';

/** Every kind of offer over the basket as it is said. */
const ROOMS: { readonly [K in BasketOfferKind]: OfferInWords<OfferDocuments[K]> } = {
  quantityBreak: quantityBreakInWords,
  bundle: bundleInWords,
  rewardUnit: rewardUnitInWords,
  buyAndGet: buyAndGetInWords,
  combo: comboInWords,
  freeGoods: freeGoodsInWords,
  basketReward: basketRewardInWords,
  deliveryReward: deliveryRewardInWords,
};

/** The name of every kind, in the order in which they are offered. */
export const OFFER_NAMES: Readonly<Record<OfferKind, OfferName>> = {
  priceChange: PRICE_CHANGE_NAME,
  ...ROOMS,
};

/** What a new offer of a kind says, until its goods are chosen. */
export const beginOffer = (kind: BasketOfferKind): BasketOfferDocument => ROOMS[kind].begin();

/** Takes an offer over the basket apart into words. */
export function offerPhrase(offer: BasketOfferDocument, currency: string, names: Names): Phrase {
  const room: OfferInWords<BasketOfferDocument> = ROOMS[kindOf(offer)];
  return room.phrase(offer, { currency, names });
}

/** The same in one string. */
export const offerWords = (offer: BasketOfferDocument, currency: string, names: Names): string =>
  offerPhrase(offer, currency, names)
    .map((part) => (typeof part === 'string' ? part : part.words))
    .join('');

/** What a shelf tag says of it; null: nothing, as it is given on whole baskets. */
export function offerOnTag(offer: BasketOfferDocument, currency: string, names: Names): TagWords | null {
  const room: OfferInWords<BasketOfferDocument> = ROOMS[kindOf(offer)];
  return room.onTag?.(offer, { currency, names }) ?? null;
}

/** How a part of an offer is called where goods of it are missing. */
export function nameOfPart(offer: BasketOfferDocument, part: number): string {
  const room: OfferInWords<BasketOfferDocument> = ROOMS[kindOf(offer)];
  return room.nameOfPart?.(offer, part) ?? 'the goods';
}
