import type { StoreDocument } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';

/** Stores where goods cost the same before any promotion, are carried alike, and clocks go alike. */
export interface Site {
  /** One that stands for all of them. */
  readonly store: StoreDocument;
  readonly stores: readonly string[];
  /** Numbers of the items that are looked at here: those with a price of this store's own. Null: all the others. */
  readonly own: ReadonlySet<number> | null;
}

/**
 * A chain has many stores and few sites. What a store has prices of its own for is a site of its own: what holds for the
 * others says nothing of it. So is a store for which a promotion names prices line by line.
 */
export function sitesOf({ plan, catalogue, assortmentOf, changes }: CompiledPlan): readonly Site[] {
  const sites = new Map<string, { store: StoreDocument; stores: string[]; own: null }>();
  const assortments = new Map<unknown, number>();
  const named = changes.filter(({ promotion }) => promotion.offer.linePrices.stores.size > 0);
  for (const store of plan.stores) {
    const assortment = assortmentOf(store.id);
    if (!assortments.has(assortment)) assortments.set(assortment, assortments.size);
    const lines = named.some(({ promotion }) => promotion.offer.linePrices.stores.has(store.id));
    const key = JSON.stringify([
      ...[store.timeZone, store.zone, assortments.get(assortment)],
      lines ? store.id : null,
    ]);
    const site = sites.get(key) ?? { store, stores: [], own: null };
    site.stores.push(store.id);
    sites.set(key, site);
  }
  const owned = new Map<string, Set<number>>();
  catalogue.items.forEach(({ prices }, index) => {
    for (const store of prices.stores.keys())
      owned.set(store, (owned.get(store) ?? new Set<number>()).add(index));
  });
  const apart = plan.stores.flatMap((store): Site[] => {
    const own = owned.get(store.id);
    return own ? [{ store, stores: [store.id], own }] : [];
  });
  return [...sites.values(), ...apart];
}
