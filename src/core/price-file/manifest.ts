import type { ItemDocument, PlanDocument } from '../plan/index.ts';
import { digest, stable } from './digest.ts';

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
export function manifestOf(plan: PlanDocument, ofItem: ItemDigest = itemDigest()): Manifest {
  const { promotions, items, ...rest } = plan;
  return {
    items: Object.fromEntries(items.map((item) => [item.sku, ofItem(item)])),
    promotions: Object.fromEntries(promotions.map((promotion) => [promotion.id, digest(stable(promotion))])),
    other: digest(stable(rest)),
    named: Object.fromEntries(
      NAMED_PARTS.flatMap((part) =>
        (rest[part] ?? []).map((entry) => [`${part} ${entry.id}`, digest(stable(entry))]),
      ),
    ),
  };
}

export type ItemDigest = (item: ItemDocument) => string;

/** Digests of items, each worked out once: most stores of a zone have the very same ones. */
export function itemDigest(): ItemDigest {
  const known = new WeakMap<ItemDocument, string>();
  return (item) => {
    const found = known.get(item) ?? digest(stable(item));
    known.set(item, found);
    return found;
  };
}
