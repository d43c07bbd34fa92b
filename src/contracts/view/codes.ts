import type { CodePattern } from '../../core/codes/index.ts';

/** A batch of single-use codes, and how far it has gone. */
export interface CodeBatchView {
  readonly id: number;
  readonly pattern: CodePattern;
  readonly wanted: number;
  /** Fewer than wanted while they are being made. */
  readonly made: number;
  readonly used: number;
  /** What receipts got by them, in the currency of the chain. */
  readonly worth: string;
  /** Single ones that were withdrawn. */
  readonly withdrawn: number;
  readonly from: string | null;
  readonly to: string | null;
  readonly test: boolean;
  readonly maker: string | null;
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  /** Who took its list and when (ISO 8601, UTC), the first first. */
  readonly taken: readonly { readonly by: string; readonly at: string }[];
  /** Whether its list can still be taken. */
  readonly listed: boolean;
  readonly allWithdrawn: boolean;
}

export interface CodeBatchesView {
  readonly batches: readonly CodeBatchView[];
  /** Wrong codes that all tills of the chain together are let try in a day. */
  readonly guessesPerDay: number;
  readonly currency: string;
  /** Days for which a list is kept. */
  readonly listDays: number;
}

/** Every batch that concerns somebody. */
export interface AllCodesView {
  readonly batches: readonly (CodeBatchView & {
    readonly promotion: { readonly id: string; readonly name: string };
    /** The last day of the batch or of its promotion, whichever comes first; null: neither has one. */
    readonly end: string | null;
  })[];
  readonly currency: string;
  readonly tried: readonly TriedCodes[];
  readonly today: string;
}

/** A till at which many wrong codes were tried within a day. */
export interface TriedCodes {
  readonly terminal: string;
  readonly storeName: string;
  readonly wrong: number;
}

/** A batch that ends soon with most of its codes unused. */
export interface EndingCodes {
  readonly batch: number;
  readonly promotion: { readonly id: string; readonly name: string };
  readonly made: number;
  readonly unused: number;
  /** A day, or a wall time where its promotion ends then. */
  readonly end: string;
}

/** What is known of one code. */
export interface FoundCode {
  readonly code: string;
  readonly promotion: { readonly id: string; readonly name: string };
  /** Null: it is no single-use one, but listed by its promotion. */
  readonly batch: { readonly id: number; readonly test: boolean } | null;
  readonly state: 'good' | 'used' | 'withdrawn' | 'not-started' | 'over';
  readonly uses: readonly {
    /** ISO 8601, UTC. */
    readonly at: string;
    readonly store: string;
    readonly storeName: string;
    readonly timeZone: string;
    readonly terminal: string;
    /** The receipt, as the till names it. */
    readonly basket: string;
    readonly over: boolean;
  }[];
}
