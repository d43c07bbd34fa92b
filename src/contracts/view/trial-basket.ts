import type { ReceiptDocument } from '../../core/receipt/index.ts';

/** A basket as the till would ring it, with the words that a screen needs beside the receipt. */
export interface TrialBasket {
  readonly receipt: ReceiptDocument;
  /** The best choice without one of the offers applied; null where none is. */
  readonly second: {
    readonly without: string;
    /** What it saves in all, and what is to pay. */
    readonly saving: string;
    readonly total: string;
    /** The offers that it applies. */
    readonly applies: readonly string[];
  } | null;
  /** Rewards whose next tier the basket does not reach: what is missing, in money or in units, and what it then saves. */
  readonly nextTiers: readonly {
    readonly promotion: string;
    readonly missing: string | number;
    readonly saving: string;
  }[];
  /** Of each accepted code, how much more there would be to pay without it. */
  readonly codes: readonly { readonly code: string; readonly saves: string }[];
  /** By line: its place in the basket, of which a limit in units makes several lines; null: a gift. */
  readonly of: readonly (number | null)[];
  /** By line: the price list that made its price; null: it is the public one. */
  readonly lists: readonly (string | null)[];
  /** By SKU: names of everything on the receipt, and of what is nearly reached. */
  readonly items: Readonly<Record<string, string>>;
  /** By id: of every promotion that the receipt names. */
  readonly promotions: Readonly<Record<string, { readonly name: string; readonly sentence: string }>>;
}
