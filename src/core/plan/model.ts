import type { DayNumber, Schedule } from '../calendar/index.ts';
import type { BasisPoints, Currency, MinorUnits, Rounding } from '../money/index.ts';
import type {
  ItemDocument,
  PlanDocument,
  PromotionStatus,
  StoreDocument,
  StoreRule,
  UseSpan,
} from './document.ts';
import type { Offer } from './offers.ts';

/** A plan document that has been checked, with money, dates and times as numbers. */
export interface Plan {
  readonly currency: Currency;
  readonly policy: {
    readonly priceChanges: 'priority' | 'lowest';
    readonly baskets: 'best' | 'priority';
    readonly marginFloor: BasisPoints | null;
  };
  readonly nodes: PlanDocument['nodes'];
  readonly items: readonly Item[];
  readonly itemSets: NonNullable<PlanDocument['itemSets']>;
  readonly stores: readonly StoreDocument[];
  readonly storeGroups: NonNullable<PlanDocument['storeGroups']>;
  readonly terminals: NonNullable<PlanDocument['terminals']>;
  readonly ranges: NonNullable<PlanDocument['ranges']>;
  readonly shoppers: readonly ShopperRecord[];
  readonly shopperGroups: NonNullable<PlanDocument['shopperGroups']>;
  readonly priceLists: readonly PriceList[];
  readonly promotions: readonly Promotion[];
}

export interface PriceRow {
  readonly price: MinorUnits;
  /** Null: always. */
  readonly since: DayNumber | null;
}

export interface Item extends Omit<ItemDocument, 'prices' | 'cost' | 'retired'> {
  readonly cost: MinorUnits | null;
  /** From this day on no store carries it. */
  readonly retired: DayNumber | null;
  /** Newest first in each scope; a row without a date last. */
  readonly prices: {
    readonly chain: readonly PriceRow[];
    readonly zones: ReadonlyMap<string, readonly PriceRow[]>;
    readonly stores: ReadonlyMap<string, readonly PriceRow[]>;
  };
}

export interface PriceList {
  readonly id: string;
  readonly name: string;
  /** Signed, over or under the regular price. Null: only own prices. */
  readonly percent: BasisPoints | null;
  readonly rounding: Rounding | null;
  readonly prices: ReadonlyMap<string, MinorUnits>;
}

export type Who =
  | { readonly kind: 'everyone' }
  | {
      readonly kind: 'some';
      readonly groups: readonly string[];
      readonly shoppers: readonly string[];
      readonly guests: boolean;
      /** `guests: false` with nothing else: anyone but a guest. */
      readonly anyShopper: boolean;
    };

/** What the plan knows of one shopper. */
export interface ShopperRecord {
  readonly id: string;
  /** Of an account alone; null: somebody who goes by a number. */
  readonly name: string | null;
  /** The account that they belong to; null: none. */
  readonly account: string | null;
  /** Those of their account as well. */
  readonly groups: readonly string[];
  /** Lists of their own, and of their account. */
  readonly priceLists: readonly string[];
  readonly pastOrders: number;
  readonly lifetimeSpend: MinorUnits;
}

/** How often a promotion may be used; null: as often as one likes. */
export interface UseLimits {
  readonly inAll: number | null;
  readonly perCode: number | null;
  readonly perShopper: number | null;
  /** How many units may be had by it; it stands beside how often. */
  readonly unitsInAll: number | null;
  readonly unitsPerCode: number | null;
  readonly unitsPerShopper: number | null;
  /** After how long they count anew; null: never. */
  readonly every: UseSpan | null;
  /** How many receipts a till gives it by itself while nobody counts for it. */
  readonly cutOff: number;
}

/** Terms of buying; days are local dates. */
export interface SupplierTerms {
  readonly from: DayNumber | null;
  readonly to: DayNumber;
  readonly cost: MinorUnits | null;
  readonly costs: ReadonlyMap<string, MinorUnits>;
  /** Above an ordinary week, in basis points. */
  readonly uplift: number;
}

export interface Promotion {
  readonly id: string;
  readonly name: string;
  readonly label: Readonly<Record<string, string>>;
  readonly status: PromotionStatus;
  /** 1 first. */
  readonly priority: number;
  readonly alone: boolean;
  readonly where: StoreRule;
  readonly channels: readonly string[] | null;
  readonly terminals: readonly string[] | null;
  readonly when: Schedule;
  readonly who: Who;
  readonly codes: readonly string[];
  /** Whether codes of batches, which are kept beside the plan, do as well. */
  readonly codeBatches: boolean;
  readonly uses: UseLimits;
  /** How often it is applied in one basket; null: as often as one likes. */
  readonly limitPerBasket: number | null;
  /** Which price of a unit a unit offer works on. */
  readonly startsFrom: 'tag' | 'base';
  readonly supplier: SupplierTerms | null;
  readonly offer: Offer;
}
