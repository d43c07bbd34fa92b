/** Which column of a file is which field; columns that are left out are not named. */
export type Matching = Readonly<Record<string, string>>;

/** A cell of a row that stands already, as it is and as the file says it. */
export interface ChangedCell {
  readonly line: number;
  readonly label: string;
  readonly column: string;
  readonly before: string;
  /** Nothing: the file empties it. */
  readonly after: string;
}

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
  /** The first kinds, by the first line of each. */
  readonly faults: readonly {
    readonly line: number;
    /** The head of the column, or nothing where the whole line is meant. */
    readonly column: string;
    readonly message: string;
    /** How many lines have a fault of this kind, and the next of them. */
    readonly count: number;
    readonly moreLines: readonly number[];
  }[];
  /** The first cells that change, those that are emptied before all others. */
  readonly cells: readonly ChangedCell[];
  /** How many cells of each column change, and how many of these are emptied. */
  readonly columns: readonly {
    readonly column: string;
    readonly changed: number;
    readonly emptied: number;
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
