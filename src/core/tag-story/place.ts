import type { Span } from '../calendar/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import type { CompiledChange } from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';

/** Stores where goods cost the same before any promotion, are carried alike, and clocks go alike. */
export interface StoryPlace {
  /** One that stands for all of them: no price of its own is looked at. */
  readonly store: StoreDocument;
  readonly stores: readonly string[];
}

/** Whose tag prices are asked for, where, and which goods. */
export interface StoriesAsked {
  readonly span: Span;
  readonly place: StoryPlace;
  readonly shopper: Shopper;
  /** Those that may count there for the shopper, by id. */
  readonly changes: readonly CompiledChange[];
  countsAt(change: CompiledChange, store: string): boolean;
  /** When a change counts by the clock of the place. */
  spansOf(change: CompiledChange): readonly Span[];
  /** Numbers of the items, rising. */
  readonly goods: Int32Array;
}
