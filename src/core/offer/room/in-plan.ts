import type { CheckContext, Fault } from '../../checking/index.ts';
import type { Currency } from '../../money/index.ts';
import type { ItemRule, PromotionDocument } from '../../plan/index.ts';

/** What is made of each item rule of an offer; `at`: where it stands in the offer. */
export type MapRule = (rule: ItemRule, at: Fault['path']) => ItemRule;

/** What an offer is checked with beside itself. */
export interface OfferCheck {
  readonly promotion: PromotionDocument;
  /** Where the offer stands in the document. */
  readonly path: Fault['path'];
  readonly context: CheckContext;
}

/**
 * What a plan has to know of a kind of offer: `D` as it stands in a document, `O` as the core computes with it.
 * Methods, so that the entry of one kind fits where any is wanted.
 */
export interface OfferInPlan<D, O> {
  /** What it is worked out over: prices on the shelf, units of a basket, what is paid for goods, or the way home. */
  readonly over: 'shelf' | 'units' | 'goods' | 'delivery';
  /** All that the shape does not say already, but its item rules, which are visited for every kind. */
  check(offer: D, check: OfferCheck): void;
  /** Reads an offer that has been checked before. */
  read(document: D, currency: Currency): O;
  /** The one visitor of item rules: the same offer with other rules, each told by its place; in the order of its parts. */
  withRules<T extends D | O>(offer: T, map: MapRule): T;
  /** What a store that carries these items alone needs of it; null: nothing. Absent: other item rules are all. */
  atStore?(offer: D, skus: ReadonlySet<string>): D | null;
}

/** The visitor of an offer with one rule for its goods. */
export const withItems = <T extends { readonly items: ItemRule }>(offer: T, map: MapRule): T => ({
  ...offer,
  items: map(offer.items, ['items']),
});

/** Those entries of a record whose keys a store carries. */
export const only = <V>(record: Record<string, V>, keys: ReadonlySet<string>): Record<string, V> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => keys.has(key)));
