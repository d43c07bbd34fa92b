/** A tag that somebody has said hangs, or is off. */
export interface HungTag {
  readonly sku: string;
  /** The day for which it was hung. */
  readonly day: string;
  readonly edition: string;
  /** By name. */
  readonly by: string;
  /** ISO 8601, UTC. */
  readonly at: string;
}

/** Port: what stores have said hangs at their shelves. */
export interface ShelfStore {
  /** Of each item the last word within some days. */
  hung(store: string, from: string, to: string): Promise<readonly HungTag[]>;
  /** What hangs already hangs on, as whoever hung it said. */
  hang(
    place: { readonly store: string; readonly day: string },
    tags: readonly { readonly sku: string; readonly edition: string }[],
    person: string,
  ): Promise<void>;
  takeBack(place: { readonly store: string; readonly day: string }, skus: readonly string[]): Promise<void>;
}
