import { dayOf } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Item, Promotion, SupplierTerms } from '../plan/index.ts';

/** What an item costs while the promotion runs: its own term, the term for all, or what it always costs. */
export function costUnder(terms: SupplierTerms | null, item: Pick<Item, 'sku' | 'cost'>): MinorUnits | null {
  return terms?.costs.get(item.sku) ?? terms?.cost ?? item.cost;
}

export interface TermsOutlived {
  /** Days on which the promotion still runs after the last day of buying; null: it has no end. */
  readonly daysAfter: number | null;
  /**
   * What has to be bought in the window for those days, in hundredths of a week's ordinary sale at the assumed
   * uplift; null where no stock would do.
   */
  readonly cover: number | null;
}

/** How far a promotion runs on after its cheap goods can be bought; null where it does not. */
export function outlived({ supplier, when }: Pick<Promotion, 'supplier' | 'when'>): TermsOutlived | null {
  if (!supplier) return null;
  if (when.to === null) return { daysAfter: null, cover: null };
  // An end at midnight has the day before as its last day.
  const lastDay = dayOf((when.to - 1) as typeof when.to);
  const daysAfter = lastDay - supplier.to;
  if (daysAfter <= 0) return null;
  return { daysAfter, cover: Math.ceil((daysAfter * 100 * (10_000 + supplier.uplift)) / (7 * 10_000)) };
}
