import type { DayNumber, Schedule } from '../calendar/index.ts';
import type { BasisPoints, Currency, MinorUnits, Rounding } from '../money/index.ts';
import type {
  ItemDocument,
  ItemRule,
  OfferDocument,
  PlanDocument,
  PromotionStatus,
  StoreDocument,
  StoreRule,
} from './document.ts';

/** A plan document that has been checked, with money, dates and times as numbers. */
export interface Plan {
  readonly currency: Currency;
  readonly policy: { readonly priceChanges: 'priority' | 'lowest'; readonly marginFloor: BasisPoints | null };
  readonly nodes: PlanDocument['nodes'];
  readonly items: readonly Item[];
  readonly itemSets: NonNullable<PlanDocument['itemSets']>;
  readonly stores: readonly StoreDocument[];
  readonly storeGroups: NonNullable<PlanDocument['storeGroups']>;
  readonly terminals: NonNullable<PlanDocument['terminals']>;
  readonly ranges: NonNullable<PlanDocument['ranges']>;
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

export type BasisKind = 'base' | 'regular' | 'cost' | { readonly priceList: string };
export type Formula =
  | { readonly kind: 'percentOff'; readonly basis: BasisKind; readonly percent: BasisPoints }
  | { readonly kind: 'amountOff'; readonly basis: BasisKind; readonly amount: MinorUnits }
  | { readonly kind: 'setTo'; readonly basis: BasisKind; readonly amount: MinorUnits }
  /** A factor in millionths. */
  | { readonly kind: 'multiplyBy'; readonly basis: BasisKind; readonly millionths: number }
  | { readonly kind: 'addPercent'; readonly basis: 'cost'; readonly percent: BasisPoints }
  | { readonly kind: 'marginOnPrice'; readonly basis: 'cost'; readonly percent: BasisPoints };

export interface PriceChange {
  readonly kind: 'priceChange';
  readonly items: ItemRule;
  readonly formula: Formula | null;
  readonly linePrices: ReadonlyMap<string, MinorUnits>;
  readonly rounding: Rounding | null;
  readonly onTop: boolean;
  readonly ofBase: boolean;
  readonly mayRaise: boolean;
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
  readonly supplier: SupplierTerms | null;
  /** Price changes are read; other kinds stay as they stand in the document. */
  readonly offer: PriceChange | Exclude<OfferDocument, { kind: 'priceChange' }>;
}
