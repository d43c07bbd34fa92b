import type { PromotionDocument } from '../../core/plan/index.ts';

/** A promotion that counts on a day, as far as it stands to others. */
export interface OrderedPromotion {
  readonly id: string;
  readonly name: string;
  readonly priority: number;
  /** What it is in a few words. */
  readonly what: string;
  readonly alone?: boolean;
  readonly startsFrom?: 'tag' | 'base';
  readonly offer: PromotionDocument['offer'];
  /** A change of it waits to be approved: one more would replace it. */
  readonly waits: boolean;
}

export interface OrderView {
  readonly date: string;
  /** By priority, of equal ones by id. */
  readonly promotions: readonly OrderedPromotion[];
  /** How the chain decides between price changes, and between deals. */
  readonly policy: { readonly priceChanges: 'priority' | 'lowest'; readonly baskets: 'best' | 'priority' };
  /** Pairs of them, by id, that can meet: on a good, in a store. */
  readonly meets: readonly (readonly [string, string])[];
  /** Rewards of the plan, whatever their days: one that stops going with another names all others. */
  readonly rewards: readonly { readonly id: string; readonly offer: PromotionDocument['offer'] }[];
}

/** What changes of standing would do, from the day on that is asked for. */
export interface StandingEffect {
  readonly promotions: readonly { readonly id: string; readonly name: string; readonly waits: boolean }[];
  /** Prices of goods in stores that would be others on some day of the weeks ahead. */
  readonly prices: {
    readonly items: number;
    readonly stores: number;
    readonly up: number;
    readonly down: number;
    /** Dates: the days on which some are. */
    readonly days: readonly string[];
    readonly some: readonly {
      readonly sku: string;
      readonly name: string;
      readonly store: string;
      readonly date: string;
      readonly was: string;
      readonly will: string;
    }[];
  };
  /** Kept baskets that would come to something else, of so many. */
  readonly baskets: {
    readonly of: number;
    readonly others: readonly {
      readonly name: string;
      readonly was: string | null;
      readonly will: string | null;
    }[];
  };
}
