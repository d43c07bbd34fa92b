import { giftOf } from '../../core/offer/index.ts';
import {
  type ItemRule,
  itemRulesIn,
  type LinePricesInDocument,
  linePricedItems,
  type OfferDocument,
  type PromotionDocument,
  type StoreRule,
} from '../../core/plan/index.ts';
import type { ruleReference } from '../schema/index.ts';

/** One name in a rule, by what it is of. */
export type Target = Pick<
  typeof ruleReference.$inferInsert,
  'item' | 'node' | 'itemSet' | 'store' | 'storeGroup' | 'zone'
>;

/** Everything that an item rule names and the database knows by key. */
export function itemRuleTargets(rule: ItemRule): Target[] {
  if ('items' in rule) return rule.items.map((item) => ({ item }));
  if ('node' in rule) return [{ node: rule.node }];
  if ('set' in rule) return [{ itemSet: rule.set }];
  if ('allOf' in rule) return rule.allOf.flatMap(itemRuleTargets);
  if ('anyOf' in rule) return rule.anyOf.flatMap(itemRuleTargets);
  return 'not' in rule ? itemRuleTargets(rule.not) : [];
}

export function storeRuleTargets(rule: StoreRule): Target[] {
  if ('stores' in rule) return rule.stores.map((store) => ({ store }));
  if ('group' in rule) return [{ storeGroup: rule.group }];
  if ('zone' in rule) return [{ zone: rule.zone }];
  if ('allOf' in rule) return rule.allOf.flatMap(storeRuleTargets);
  if ('anyOf' in rule) return rule.anyOf.flatMap(storeRuleTargets);
  return 'not' in rule ? storeRuleTargets(rule.not) : [];
}

export function promotionTargets(promotion: PromotionDocument): Target[] {
  return [
    ...offerTargets(promotion.offer),
    ...(promotion.where ? storeRuleTargets(promotion.where) : []),
    ...Object.keys(promotion.supplier?.costs ?? {}).map((item) => ({ item })),
  ];
}

function offerTargets(offer: OfferDocument): Target[] {
  const { skus, places } = namedBy(offer);
  return [
    ...itemRulesIn(offer).flatMap(({ rule }) => itemRuleTargets(rule)),
    ...skus.map((item) => ({ item })),
    ...places.map(({ zone, store }) => ({ zone, store })),
  ];
}

/** Items and places that an offer names beside its item rules. */
function namedBy(offer: OfferDocument): { skus: readonly string[]; places: readonly LinePricesInDocument[] } {
  const skus: string[] = [];
  const gift = giftOf(offer);
  if (gift !== null) skus.push(gift);
  if ('extra' in offer) skus.push(...Object.keys(offer.extra ?? {}));
  if (offer.kind !== 'priceChange') return { skus, places: [] };
  const { own, ownIn, removed = [] } = offer.worksheet ?? {};
  skus.push(
    ...linePricedItems(offer),
    ...linePricedItems({ linePrices: own, linePricesIn: ownIn }),
    ...removed,
  );
  return { skus, places: [...(offer.linePricesIn ?? []), ...(ownIn ?? [])] };
}
