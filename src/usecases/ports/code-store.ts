import type { CodePattern } from '../../core/codes/index.ts';

/** Port: what is kept of codes, and the random numbers that they are made of. */
export interface CodeSeal {
  hashOf(code: string): Uint8Array;
  hashOfCard(number: string): Uint8Array;
  seal(text: string): Uint8Array;
  open(sealed: Uint8Array): string;
  pick(below: number): number;
}

/** What is asked for. */
export interface CodeBatchWanted {
  readonly promotion: string;
  readonly pattern: CodePattern;
  readonly wanted: number;
  /** ISO 8601 days; null: as long as the promotion. */
  readonly fromDay: string | null;
  readonly toDay: string | null;
  readonly test: boolean;
}

export interface CodeBatch extends CodeBatchWanted {
  readonly id: number;
  readonly made: number;
  readonly madeBy: string;
  readonly madeAt: Date;
  /** Whether the codes themselves can still be shown. */
  readonly listed: boolean;
  readonly withdrawnAt: Date | null;
}

/** How far a batch has gone. */
export interface CodeBatchState extends CodeBatch {
  /** By name; null: somebody who is there no more. */
  readonly maker: string | null;
  readonly used: number;
  /** What receipts got by its codes, in minor units. */
  readonly worth: number;
  /** Who took its list and when, the first first. */
  readonly taken: readonly { readonly by: string | null; readonly at: Date }[];
  /** Single codes that were withdrawn. */
  readonly withdrawn: number;
}

export interface KnownCode {
  readonly batch: CodeBatch;
  readonly withdrawn: boolean;
}

/** One of those that are to be made: what is kept of it, and itself. */
export interface FreshCode {
  readonly hash: Uint8Array;
  readonly code: string;
}

/** What was done about codes, as the trail tells it. */
export interface CodeDeed {
  /** Null: it was done by itself. */
  readonly person: string | null;
  readonly action: string;
}

/** Wrong codes that may be tried at one place. */
export interface CodeBrake {
  readonly free: number;
  /** Milliseconds after which one more is free. */
  readonly each: number;
}

/** Port: batches of single-use codes. */
export interface CodeStore {
  /** The newest first. @param promotion null: of all. */
  batches(promotion: string | null): Promise<readonly CodeBatchState[]>;
  batch(id: number): Promise<CodeBatch | null>;
  begin(wanted: CodeBatchWanted, now: Date, deed: CodeDeed): Promise<number>;
  /**
   * Makes the next codes of a batch that is not whole, one server at a time: those that exist already are left out.
   * @returns false where no batch wants any.
   */
  fill(
    most: number,
    make: (batch: CodeBatch, count: number) => readonly FreshCode[],
    seal: (text: string) => Uint8Array,
  ): Promise<boolean>;
  /** The sealed parts of its list, in order; tells the trail that this person took it. */
  list(batch: CodeBatch, person: string): Promise<readonly Uint8Array[]>;
  /** Single codes of a batch that were withdrawn. */
  withdrawnOf(batch: number): Promise<readonly Uint8Array[]>;
  throwListAway(batch: CodeBatch, deed: CodeDeed): Promise<void>;
  moveEnd(batch: CodeBatch, toDay: string | null, deed: CodeDeed): Promise<void>;
  withdraw(batch: CodeBatch, now: Date, deed: CodeDeed): Promise<void>;
  withdrawOne(hash: Uint8Array, batch: CodeBatch, deed: CodeDeed): Promise<void>;
  /** By hash, in hexadecimal digits. */
  known(hashes: readonly Uint8Array[]): Promise<ReadonlyMap<string, KnownCode>>;
  /**
   * Counts wrong codes before they are answered.
   * @returns milliseconds to wait where there were too many; 0 else.
   */
  countTries(who: string, wrong: number, brake: CodeBrake, now: Date): Promise<number>;
  /** Gives back what was counted and was right. */
  right(who: string, count: number, brake: CodeBrake): Promise<void>;
  /** Wrong codes of the last day at each place that tried more than so many. */
  triedMuch(more: number, now: Date): Promise<readonly { readonly who: string; readonly wrong: number }[]>;
}
