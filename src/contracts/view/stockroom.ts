import type { ItemRule, StoreRule } from '../../core/plan/index.ts';
import type { TableName } from '../table/index.ts';

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

/** Why a change of the stockroom waits: what it would do to prices. */
export interface PriceEffect {
  /** Rows of regular prices, or of lists of prices, that would be others. */
  readonly prices: number;
  /** Approved promotions that are not over, whose goods or stores would be others. */
  readonly promotions: readonly {
    readonly id: string;
    readonly name: string;
    readonly goodsMore: number;
    readonly goodsLess: number;
    readonly storesMore: number;
    readonly storesLess: number;
  }[];
}

/** A change of the stockroom that waits for approval, with what it would do. */
export interface WaitingEntriesView {
  readonly id: number;
  readonly table: TableName;
  readonly effect: PriceEffect;
  readonly writer: string;
  readonly own: boolean;
  /** ISO 8601, UTC. */
  readonly writtenAt: string;
  readonly returned: { readonly by: string; readonly reason: string } | null;
  /** Whether this person may approve it, and may drop it. */
  readonly approves: boolean;
  readonly drops: boolean;
  readonly count: number;
  /** The first ones; `before` is null for a new row, `after` for one that goes. */
  readonly rows: readonly {
    readonly key: string;
    /** By name. */
    readonly label: string;
    readonly before: Readonly<Record<string, string>> | null;
    readonly after: Readonly<Record<string, string>> | null;
  }[];
}
