import { digest, stable, stableTexts } from '../digest/index.ts';
import type { ItemDocument, PlanDocument, PromotionDocument } from '../plan/index.ts';

/** What a price file holds, as digests: enough to tell what the next one would change. */
export interface Manifest {
  /** By SKU. */
  readonly items: Readonly<Record<string, string>>;
  /** By id. */
  readonly promotions: Readonly<Record<string, string>>;
  /** Lists, sets, groups, hierarchy and the rest. */
  readonly other: string;
  /** What of `other` has a name, by its part and id, to say what it was that changed. Absent in older ones. */
  readonly named?: Readonly<Record<string, string>>;
}

/** Parts of a plan whose entries have names, and of which a store is sent what concerns it. */
export const NAMED_PARTS = ['itemSets', 'priceLists', 'shopperGroups'] as const;
export type NamedPart = (typeof NAMED_PARTS)[number];

/** The manifest of one store's plan. */
export const manifestOf = (plan: PlanDocument): Manifest => manifests()(plan);

/** Manifests of many stores: what they share as the very same objects is looked at once. */
export function manifests(): (plan: PlanDocument) => Manifest {
  const ofItem = digests<ItemDocument>();
  const ofPromotion = digests<PromotionDocument>();
  const ofNamed = digests<object>();
  const textOf = stableTexts();
  const known = new WeakMap<readonly ItemDocument[], Manifest['items']>();
  const ofItems = (items: readonly ItemDocument[]) => {
    const found = known.get(items) ?? Object.fromEntries(items.map((item) => [item.sku, ofItem(item)]));
    known.set(items, found);
    return found;
  };
  return ({ promotions, items, ...rest }) => ({
    items: ofItems(items),
    promotions: Object.fromEntries(promotions.map((promotion) => [promotion.id, ofPromotion(promotion)])),
    other: digest(textOf(rest)),
    named: Object.fromEntries(
      NAMED_PARTS.flatMap((part) =>
        (rest[part] ?? []).map((entry) => [`${part} ${entry.id}`, ofNamed(entry)]),
      ),
    ),
  });
}

function digests<T extends object>(): (one: T) => string {
  const known = new WeakMap<T, string>();
  return (one) => {
    const found = known.get(one) ?? digest(stable(one));
    known.set(one, found);
    return found;
  };
}
