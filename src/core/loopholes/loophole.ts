import type { Basket } from '../receipt/index.ts';

/** What a basket leaves: what is paid for its goods less what all that leaves the shelf costs. Minor units. */
export interface Margin {
  readonly margin: number;
  readonly goods: number;
  readonly cost: number;
}

/** The basket that leaves the least of all by which the same promotions come together. */
export interface Loophole extends Margin {
  readonly units: number;
  /** Ids, sorted: what priced, applied to or rewarded it. */
  readonly promotions: readonly string[];
  readonly basket: Basket;
}

export interface Looked {
  readonly units: number;
  /** Whether no basket of at most so many units leaves less than the first finding. */
  readonly proved: boolean;
  /** The lowest margin that is still possible; null where it is proved. */
  readonly bound: number | null;
  /** How many were rung. */
  readonly baskets: number;
}

export interface Loopholes {
  /** The lowest margin first. */
  readonly found: readonly Loophole[];
  readonly looked: Looked;
}
