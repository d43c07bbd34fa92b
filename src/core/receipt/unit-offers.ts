import { basketRewardInBasket } from '../offer/basket-reward/in-basket.ts';
import { bundleInBasket } from '../offer/bundle/in-basket.ts';
import { buyAndGetInBasket } from '../offer/buy-and-get/in-basket.ts';
import { comboInBasket } from '../offer/combo/in-basket.ts';
import { deliveryRewardInBasket } from '../offer/delivery-reward/in-basket.ts';
import { freeGoodsInBasket } from '../offer/free-goods/in-basket.ts';
import type { JudgedOffer, UnitOfferInBasket } from '../offer/index.ts';
import { quantityBreakInBasket } from '../offer/quantity-break/in-basket.ts';
import { rewardUnitInBasket } from '../offer/reward-unit/in-basket.ts';
import type { BasketOffer, BasketOfferKind, Offer, Offers, Promotion } from '../plan/index.ts';

/** Every kind of offer on units of a basket (pricing rules 4.1). */
const UNIT_OFFERS = {
  quantityBreak: quantityBreakInBasket,
  bundle: bundleInBasket,
  rewardUnit: rewardUnitInBasket,
  buyAndGet: buyAndGetInBasket,
  combo: comboInBasket,
  freeGoods: freeGoodsInBasket,
} as const satisfies { readonly [K in BasketOfferKind]?: UnitOfferInBasket<Offers[K]> };

const OVER_BASKET: { readonly [K in BasketOfferKind]: JudgedOffer<Offers[K]> } = {
  ...UNIT_OFFERS,
  basketReward: basketRewardInBasket,
  deliveryReward: deliveryRewardInBasket,
};

export type UnitOffer = Offers[keyof typeof UNIT_OFFERS];
export type UnitOfferPromotion = Promotion & { readonly offer: UnitOffer };

export const isUnitOffer = (offer: Offer): offer is UnitOffer => Object.hasOwn(UNIT_OFFERS, offer.kind);

/** What the search and the receipt know of a unit offer's kind. */
export const unitOfferRoom = ({ kind }: UnitOffer): UnitOfferInBasket<UnitOffer> => UNIT_OFFERS[kind];

/** By what an offer over the basket can be judged before one is rung. */
export const judgedRoom = ({ kind }: BasketOffer): JudgedOffer<BasketOffer> => OVER_BASKET[kind];
