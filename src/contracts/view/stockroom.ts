import type { ItemRule, StoreRule } from '../../core/plan/index.ts';

/** What the chain is made of. */
export interface StockroomView {
  readonly name: string | null;
  readonly counts: readonly (readonly [what: string, count: number])[];
  readonly stores: readonly {
    readonly id: string;
    readonly name: string;
    readonly timeZone: string;
    readonly zone: string | null;
    readonly region: string | null;
    readonly tags: readonly string[];
    readonly terminals: number;
  }[];
}

/** One row of a table, in texts. */
export interface TableRow {
  readonly key: string;
  readonly cells: Readonly<Record<string, string>>;
}

/** A stretch of a table's rows. */
export interface TablePage {
  readonly total: number;
  readonly rows: readonly TableRow[];
  /** Of the plan. */
  readonly version: number;
}

interface Selected {
  readonly id: string;
  readonly name: string;
  /** The regular price of an item, the region of a store. */
  readonly note: string;
}

/** What a rule selects. */
export interface SelectionView {
  readonly count: number;
  /** How many of the items the store of the lens carries; null for stores. */
  readonly carriedHere: number | null;
  /** The first ones that match what was typed. */
  readonly listed: readonly Selected[];
  readonly found: number;
  /** A week after the moment of the lens; null for stores. */
  readonly nextWeek: {
    readonly count: number;
    readonly joining: readonly Selected[];
    readonly leaving: readonly Selected[];
  } | null;
  /** Parts of the rule that select nothing by themselves. */
  readonly emptyParts: readonly (ItemRule | StoreRule)[];
}
