import { type BasketOffer, itemRulesIn, type Plan, type Promotion } from '../plan/index.ts';
import { type Catalogue, compileItemRule, type ItemSelection, storesOf } from '../selection/index.ts';

export type BasketOfferPromotion = Promotion & { readonly offer: BasketOffer };

/** An offer over the basket with its selections worked out on first use. */
export interface CompiledOffer {
  readonly promotion: BasketOfferPromotion;
  stores(): ReadonlySet<string>;
  /** The goods of each of its parts: of a combo its slots, of buy and get what is bought and then what is got. */
  parts(): readonly ItemSelection[];
  /** Numbers of the items of each part, rising; null where that depends on regular prices. */
  numbers(): readonly (Int32Array | null)[];
}

export function compileOffers(plan: Plan, catalogue: Catalogue): CompiledOffer[] {
  return plan.promotions
    .filter((promotion): promotion is BasketOfferPromotion => promotion.offer.kind !== 'priceChange')
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map((promotion) => compileOffer(promotion, plan, catalogue));
}

export function compileOffer(
  promotion: BasketOfferPromotion,
  plan: Plan,
  catalogue: Catalogue,
): CompiledOffer {
  let stores: ReadonlySet<string> | undefined;
  let parts: readonly ItemSelection[] | undefined;
  return {
    promotion,
    stores() {
      stores ??= storesOf(promotion.where, plan);
      return stores;
    },
    parts() {
      parts ??= itemRulesIn(promotion.offer).map(({ rule }) =>
        compileItemRule(rule, catalogue, plan.currency),
      );
      return parts;
    },
    numbers() {
      return this.parts().map((part) => part.numbers());
    },
  };
}
