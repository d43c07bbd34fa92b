import type { Goods, Unit } from '../offer/index.ts';
import {
  type BasketOfferPromotion,
  type CompiledOffer,
  type CompiledPlan,
  pricesIn,
  type Situation,
} from '../price-book/index.ts';
import { isUnitOffer, unitOfferRoom } from '../receipt/index.ts';

/** An item that a basket may hold, as far as it tells baskets apart. */
export interface Good {
  readonly index: number;
  readonly sku: string;
  readonly tag: number;
  readonly cost: number;
  /** Which of the offers it is among the goods of, by their place. */
  readonly offers: readonly number[];
  /** Whether a unit offer among them may use it. */
  readonly isWanted: boolean;
}

/**
 * The goods that are worth looking at where the basket that leaves the least is wanted: of goods that are alike to every
 * offer and have the same prices the one that costs most, of goods that no offer is about the one that loses most by the
 * same price changes. Those without a cost are left out. What earns least comes first.
 * @param offers that are live for the basket, but those on delivery.
 */
export function goodsWorthLooking(
  compiled: CompiledPlan,
  situation: Situation,
  offers: readonly CompiledOffer[],
): Good[] {
  const priceOf = pricesIn(compiled, situation);
  const byWeight = offers.some(({ promotion }) => asksWeight(promotion));
  const known: Goods = {
    skuOf: (item) => compiled.catalogue.items[item]!.sku,
    familyOf: (item) => compiled.catalogue.items[item]!.parent ?? compiled.catalogue.items[item]!.sku,
    giftWorth: () => null,
  };
  const alike = new Map<string, Good>();
  compiled.catalogue.items.forEach((item, index) => {
    if (item.cost === null || (item.unit ?? 'each') !== 'each') return;
    const answer = priceOf(index);
    if (answer.kind === 'problem') return;
    const regular = answer.regular.price;
    const unit: Unit = {
      position: 0,
      line: 0,
      item: index,
      regular,
      base: answer.base.price,
      tag: answer.price,
    };
    const memberships = offers.map((offer) => offer.parts().map((part) => part.has(index, regular)));
    const isTouched = offers.some((offer, i) => offer.parts().length === 0 || memberships[i]!.includes(true));
    const mine = [...offers.keys()].filter((i) => memberships[i]!.includes(true));
    const good: Good = {
      index,
      sku: item.sku,
      tag: answer.price,
      cost: item.cost,
      offers: mine,
      isWanted: mine.some((i) => isUnitOffer(offers[i]!.promotion.offer)),
    };
    const key =
      isTouched || byWeight
        ? JSON.stringify([
            ...[answer.price, answer.base.price, regular, memberships],
            ...[answer.winner?.promotion ?? null, answer.onTop.map(({ promotion }) => promotion)],
            offers.map(({ promotion: { offer } }, i) =>
              isUnitOffer(offer) && memberships[i]!.includes(true)
                ? (unitOfferRoom(offer).apart?.(offer, unit, known) ?? '')
                : '',
            ),
            byWeight ? item.weight : null,
          ])
        : lossOf(good) > 0
          ? JSON.stringify([answer.winner?.promotion ?? null, answer.onTop.map(({ promotion }) => promotion)])
          : EARNS;
    const held = alike.get(key);
    if (!held || lossOf(good) > lossOf(held)) alike.set(key, good);
  });
  return [...alike.values()].sort((a, b) => lossOf(b) - lossOf(a) || (a.sku < b.sku ? -1 : 1));
}

/** Goods that no offer is about and that earn something: one of them by itself may still be what leaves the least. */
const EARNS = 'earns';

const lossOf = ({ cost, tag }: Good): number => cost - tag;

function asksWeight({ offer }: BasketOfferPromotion): boolean {
  const conditions = 'conditions' in offer ? offer.conditions : null;
  return conditions !== null && (conditions.minWeight !== null || conditions.maxWeight !== null);
}
