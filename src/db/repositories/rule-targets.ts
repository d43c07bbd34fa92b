import {
  type ItemRule,
  type LinePricesInDocument,
  linePricedItems,
  type OfferDocument,
  type PromotionDocument,
  type StoreRule,
} from '../../core/plan/index.ts';
import type { ruleReference } from '../schema/index.ts';

type Target = Pick<
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
  const rules: ItemRule[] = [];
  const skus: string[] = [];
  if ('items' in offer && offer.items) rules.push(offer.items);
  if ('buy' in offer) rules.push(...offer.buy.map(({ items }) => items), offer.get.items);
  if ('slots' in offer) rules.push(...offer.slots.map(({ items }) => items));
  if ('gift' in offer && offer.gift !== undefined) skus.push(offer.gift);
  const places: LinePricesInDocument[] = [];
  if (offer.kind === 'priceChange') {
    skus.push(...linePricedItems(offer));
    places.push(...(offer.linePricesIn ?? []), ...(offer.worksheet?.ownIn ?? []));
  }
  if ('worksheet' in offer && offer.worksheet) {
    rules.push(...offer.worksheet.passes.map(({ items }) => items));
    const { own, ownIn, removed = [] } = offer.worksheet;
    skus.push(...linePricedItems({ linePrices: own, linePricesIn: ownIn }), ...removed);
  }
  if ('extra' in offer) skus.push(...Object.keys(offer.extra ?? {}));
  return [
    ...rules.flatMap(itemRuleTargets),
    ...skus.map((item) => ({ item })),
    ...places.map(({ zone, store }) => ({ zone, store })),
  ];
}
