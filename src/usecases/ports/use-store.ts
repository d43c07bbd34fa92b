/** A basket at a till, as that names it. */
export interface BasketAtTill {
  readonly terminal: string;
  readonly basket: string;
}

/** One use of something limited, and how often it may be used by all receipts together. */
export interface Use {
  readonly key: string;
  readonly promotion: string;
  readonly most: number;
  /** The first day of the span in which it counts; absent: it counts once for all. */
  readonly span?: string;
  /** How many it counts as, where units are limited; absent: one. */
  readonly units?: number;
  /** What the promotion takes off the receipt, in minor units; absent: not told. */
  readonly worth?: number;
}

/** A use that was made, as it is told afterwards. */
export interface UseMade {
  readonly key: string;
  readonly terminal: string;
  readonly store: string;
  readonly basket: string;
  readonly at: Date;
  readonly over: boolean;
  /** How many it counts as: one, or so many units. */
  readonly units: number;
  /** Null: it was not told. */
  readonly worth: number | null;
}

/** Port: uses of codes and of promotions with a limit, counted over all tills. */
export interface UseStore {
  /**
   * Keeps uses for a basket, in the place of what was kept for it before. What is used up is not kept.
   * @returns for each key that is used up how often it was used or is kept by others.
   */
  hold(
    basket: BasketAtTill,
    uses: readonly Use[],
    now: Date,
    until: Date,
  ): Promise<ReadonlyMap<string, number>>;
  /** Writes down uses of a receipt that was closed, each once however often that is told; nothing is kept for it then. */
  take(basket: BasketAtTill & { readonly store: string }, uses: readonly Use[], at: Date): Promise<void>;
  giveBack(basket: BasketAtTill): Promise<void>;
  /** By key: how often each of these was used in its span, and is kept for baskets now. */
  counted(
    uses: readonly Pick<Use, 'key' | 'span'>[],
    now: Date,
  ): Promise<ReadonlyMap<string, { taken: number; held: number }>>;
  /** The uses of one key, the first first. @param stores Only there; null: everywhere. */
  ofKey(key: string, stores: readonly string[] | null): Promise<readonly UseMade[]>;
  /** How many receipts went beyond a limit of a promotion, and what they got by it. @param stores as of {@link newest}. */
  beyond(
    promotion: string,
    stores: readonly string[] | null,
  ): Promise<{ readonly receipts: number; readonly worth: number }>;
  /** The newest uses of a promotion. @param stores Only there; null: everywhere. */
  newest(promotion: string, stores: readonly string[] | null, most: number): Promise<readonly UseMade[]>;
}
