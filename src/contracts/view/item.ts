import type { PromotionSummary } from './replies.ts';

/** Everything that the chain knows of one item. */
export interface ItemView {
  readonly sku: string;
  readonly name: string;
  readonly gtin: string | null;
  readonly brand: string | null;
  readonly unit: string;
  readonly cost: string | null;
  readonly tags: readonly string[];
  readonly attributes: Readonly<Record<string, string>>;
  /** From the department down. */
  readonly hierarchy: readonly string[];
  readonly parent: { readonly sku: string; readonly name: string } | null;
  readonly variants: readonly { readonly sku: string; readonly name: string }[];
  /** Newest first in each place; the nearest place first. */
  readonly prices: readonly {
    readonly of: 'store' | 'zone' | 'chain';
    readonly place: string | null;
    readonly since: string | null;
    readonly price: string;
  }[];
  /** By price zone, of the stores that the person sees. */
  readonly byZone: readonly ZonePrices[];
  /** Through which ranges it is carried, and in how many stores of those that the person sees. */
  readonly ranges: readonly { readonly name: string; readonly stores: number; readonly here: boolean }[];
  /** No ranges at all: every store carries everything. */
  readonly carriedEverywhere: boolean;
  /** Price changes whose goods it is among, by start. */
  readonly promotions: readonly PromotionSummary[];
}

/** What an item costs in one price zone. */
export interface ZonePrices {
  /** Null: stores of no zone. */
  readonly zone: string | null;
  /** The regular price at the moment of the lens, and each later day on which it becomes another one. */
  readonly regular: readonly { readonly from: string | null; readonly price: string | null }[];
  /** How many stores sell it at that moment. */
  readonly stores: number;
  /** What guests pay in them, from the least to the most; null: no store sells it. */
  readonly paid: { readonly low: string; readonly high: string } | null;
}
