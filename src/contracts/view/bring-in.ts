/** Which column of a file is which field; columns that are left out are not named. */
export type Matching = Readonly<Record<string, string>>;

/** What a file would do to a table, or did. */
export interface BringInView {
  readonly heads: readonly string[];
  readonly matching: Matching;
  /** Whether the matching is the one that the person chose the last time. */
  readonly remembered: boolean;
  readonly rows: number;
  readonly added: number;
  readonly changed: number;
  readonly same: number;
  readonly refused: number;
  /** The first ones, by line. */
  readonly faults: readonly {
    readonly line: number;
    /** The head of the column, or nothing where the whole line is meant. */
    readonly column: string;
    readonly message: string;
  }[];
  /** The number under which it waits for approval; null: it does not wait. */
  readonly waits: number | null;
  /** What stands against the file as a whole: columns that are missing. */
  readonly against: readonly string[];
  /** The first rows as they stand in the file, a cell for each head. */
  readonly sample: readonly (readonly string[])[];
  /** Whether it was brought in; a dry run never is. */
  readonly done: boolean;
}

/** One line of the answer while a file is brought in. */
export type BringInNews =
  | { readonly kind: 'progress'; readonly stage: string; readonly done: number; readonly of: number }
  | { readonly kind: 'result'; readonly result: BringInView }
  | {
      readonly kind: 'refused';
      readonly message: string;
      readonly faults: readonly { readonly path: string; readonly message: string }[];
    };
