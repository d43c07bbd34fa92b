import type { MinorUnits } from '../money/index.ts';
import type { Plan } from '../plan/index.ts';
import { type Catalogue, compileItemRule, type ItemSelection, storesOf } from '../selection/index.ts';

/** What a store carries; stores with the same ranges share one. */
export interface Assortment {
  /** Null: everything. */
  readonly ranges: readonly ItemSelection[] | null;
  /** @param regular the regular price there and then; null where there is none. */
  carries(index: number, regular: MinorUnits | null): boolean;
}

const EVERYTHING: Assortment = { ranges: null, carries: () => true };

/** Ranges add up; no ranges at all means that every store carries everything. */
export function assortments(plan: Plan, catalogue: Catalogue): (store: string) => Assortment {
  if (plan.ranges.length === 0) return () => EVERYTHING;
  const ranges = plan.ranges.map((range) => ({
    stores: storesOf(range.stores, plan),
    items: compileItemRule(range.items, catalogue, plan.currency),
  }));
  const byRanges = new Map<string, Assortment>();
  const byStore = new Map<string, Assortment>();
  return (store) => {
    const known = byStore.get(store);
    if (known) return known;
    const here = ranges.filter(({ stores }) => stores.has(store));
    const key = here.map((range) => ranges.indexOf(range)).join(' ');
    const found = byRanges.get(key) ?? assortmentOf(here.map(({ items }) => items));
    byRanges.set(key, found);
    byStore.set(store, found);
    return found;
  };
}

const assortmentOf = (ranges: readonly ItemSelection[]): Assortment => ({
  ranges,
  carries: (index, regular) => ranges.some((items) => items.has(index, regular)),
});
