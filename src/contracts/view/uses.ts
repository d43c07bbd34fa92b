/** How often something limited was used, and is kept for baskets that are not paid yet. */
export interface UseCount {
  readonly most: number;
  readonly taken: number;
  readonly held: number;
}

/** The uses of a promotion, counted over all tills. */
export interface UsesView {
  /** Null: it has no limit in all. */
  readonly inAll: UseCount | null;
  /** Each code, where there is a limit of one. */
  readonly codes: readonly (UseCount & { readonly code: string })[];
  readonly perShopper: number | null;
  /** What is limited in units, in all and of each code; null: of no code. */
  readonly units: readonly (UseCount & { readonly code: string | null })[];
  /** After how long they count anew: the counts are those of the span that is running; null: never. */
  readonly every: 'day' | 'week' | 'month' | null;
  /** Receipts that went beyond a limit, as tills that were cut off gave it by themselves, and what they got by it. */
  readonly beyond: { readonly receipts: number; readonly worth: string };
  readonly currency: string;
  /** The newest first. */
  readonly newest: readonly {
    /** ISO 8601, UTC. */
    readonly at: string;
    readonly store: string;
    readonly storeName: string;
    readonly timeZone: string;
    readonly terminal: string;
    readonly code: string | null;
    /** The batch whose code was said; null: of none. */
    readonly batch: number | null;
    readonly shopper: string | null;
    /** How many units it had by it; null: they are not limited. */
    readonly units: number | null;
    /** It was used up before: a till that was cut off gave it by itself. */
    readonly over: boolean;
  }[];
}
