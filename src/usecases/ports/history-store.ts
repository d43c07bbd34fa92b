/** One entry of the trail, as it was written. */
export interface TrailEntry {
  readonly id: number;
  /** ISO 8601, UTC. */
  readonly at: string;
  /** The name of whoever did it; null: nobody who is known any more, or the application itself. */
  readonly person: string | null;
  readonly action: string;
  readonly kind: string;
  readonly subject: string;
  readonly before: unknown;
  readonly after: unknown;
}

/** Which entries of the trail are wanted; what is absent is not asked. */
export interface TrailQuestion {
  /** Only those of these kinds. */
  readonly kinds?: readonly string[];
  /** Only those about this subject of their kind. */
  readonly subject?: string;
  /** Only changes of rows of one of these tables, one of which holds this value in this field or its key. */
  readonly row?: { readonly tables: readonly string[]; readonly field: string; readonly value: string };
  /** A person's id. */
  readonly person?: string;
  /** Only those with a smaller number: the next page. */
  readonly before?: number;
  /** Only those until this moment. */
  readonly until?: Date;
  readonly limit: number;
}

/** Port: who did what and when, the newest first. */
export interface HistoryStore {
  entries(question: TrailQuestion): Promise<readonly TrailEntry[]>;
  /** Those who are in the trail, by name. */
  people(): Promise<readonly { readonly id: string; readonly name: string }[]>;
}
