/** Somebody who was found, or an account. */
export interface FoundShopper {
  readonly id: string;
  readonly kind: 'person' | 'account';
  /** Null: they came with a card alone. */
  readonly name: string | null;
  readonly groups: readonly string[];
  readonly account: { readonly id: string; readonly name: string } | null;
  readonly orders: number;
}

export interface FoundShoppers {
  readonly found: readonly FoundShopper[];
  /** There may be more than are told. */
  readonly more: boolean;
}

/** How many the chain knows. */
export interface ShopperCounts {
  readonly people: number;
  readonly accounts: readonly FoundShopper[];
  readonly kinds: readonly {
    readonly id: string;
    readonly name: string;
    readonly people: number;
    readonly joining: boolean;
  }[];
}

/** A promotion that is for somebody. */
export interface TheirPromotion {
  readonly id: string;
  readonly name: string;
  readonly sentence: string;
  /** How often they used it in the span that runs and how often they may, and the same of units; none: it is not counted for each. */
  readonly uses: readonly {
    readonly of: 'receipts' | 'units';
    readonly taken: number;
    readonly most: number;
    readonly every: string | null;
  }[];
}

/** All that is known of somebody, or of an account. */
export interface ShopperView extends FoundShopper {
  readonly email: string | null;
  /** Ids of the kinds that were said of them here; the plan may say more. */
  readonly ownGroups: readonly string[];
  /** The list that is theirs alone. */
  readonly priceList: string | null;
  /** Every list by which their prices are made, and whence they have it. */
  readonly lists: readonly { readonly name: string; readonly from: string }[];
  /** The last digits of each card. */
  readonly cards: readonly string[];
  /** In the currency of the chain. */
  readonly spent: string;
  readonly currency: string;
  /** ISO 8601, UTC; null: an account. */
  readonly since: string | null;
  readonly promotions: readonly TheirPromotion[];
  /** Those who belong to an account. */
  readonly people: readonly FoundShopper[];
  readonly orderList: readonly {
    readonly at: string;
    readonly terminal: string;
    readonly paid: string;
  }[];
  /** What one may be, and may be given. */
  readonly choices: {
    readonly groups: readonly { readonly id: string; readonly name: string }[];
    readonly lists: readonly { readonly id: string; readonly name: string }[];
    readonly accounts: readonly { readonly id: string; readonly name: string }[];
  };
}

/** Somebody who waits to be let in. */
export interface JoinRequestView {
  readonly id: number;
  readonly group: { readonly id: string; readonly name: string };
  readonly name: string;
  readonly email: string;
  readonly word: string;
  /** ISO 8601, UTC. */
  readonly askedAt: string;
}
