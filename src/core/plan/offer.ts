import type { BasisPoints, MinorUnits } from '../money/index.ts';
import type { ItemRule } from './document.ts';
import type { PriceChange } from './model.ts';

/** What one unit is made to cost, or how much is taken off it. */
export type UnitValue =
  | { readonly kind: 'each'; readonly amount: MinorUnits }
  | { readonly kind: 'percentOff'; readonly percent: BasisPoints }
  | { readonly kind: 'amountOffEach'; readonly amount: MinorUnits };

/** How units are counted together: each item by itself, the variants of one parent, or everything selected. */
export type CountedBy = 'item' | 'family' | 'set';

export interface QuantityBreak {
  readonly kind: 'quantityBreak';
  readonly items: ItemRule;
  readonly count: CountedBy;
  /** Only the units past a tier's start get its value. */
  readonly beyond: boolean;
  /** By rising start. */
  readonly tiers: readonly { readonly atLeast: number; readonly value: UnitValue }[];
}

export interface Bundle {
  readonly kind: 'bundle';
  readonly items: ItemRule;
  readonly take: number;
  readonly value:
    | Exclude<UnitValue, { kind: 'amountOffEach' }>
    | { readonly kind: 'total'; readonly amount: MinorUnits }
    /** Off the whole bundle. */
    | { readonly kind: 'amountOff'; readonly amount: MinorUnits };
}

export interface RewardUnit {
  readonly kind: 'rewardUnit';
  readonly items: ItemRule;
  readonly take: number;
  readonly rewarded: number;
  readonly pick: 'cheapest' | 'dearest';
  readonly value: UnitValue;
}

export interface OfferPart {
  readonly items: ItemRule;
  readonly quantity: number;
}

export interface BuyAndGet {
  readonly kind: 'buyAndGet';
  readonly buy: readonly OfferPart[];
  readonly get: OfferPart;
  readonly notDearer: boolean;
  readonly value: UnitValue;
}

export interface Combo {
  readonly kind: 'combo';
  readonly slots: readonly (OfferPart & { readonly name: string; readonly each: MinorUnits | null })[];
  /** Null: every slot has its price. */
  readonly value:
    | { readonly kind: 'total'; readonly amount: MinorUnits }
    | { readonly kind: 'percentOff'; readonly percent: BasisPoints }
    | null;
  readonly extra: ReadonlyMap<string, MinorUnits>;
  /** What the till shows: the SHA-256 of a picture's bytes, in hexadecimal. */
  readonly picture: string | null;
}

export interface FreeGoods {
  readonly kind: 'freeGoods';
  readonly items: ItemRule;
  readonly count: CountedBy;
  readonly minimum: number;
  readonly every: number;
  readonly free: number;
  readonly parts: 'whole' | 'prorated';
  /** The item that comes on top; null: the free units are out of the quantity. */
  readonly gift: string | null;
  readonly maxFree: number | null;
}

/** Conditions that must all hold; null or empty asks nothing. */
export interface Conditions {
  readonly payments: readonly string[] | null;
  readonly deliveries: readonly string[] | null;
  readonly regions: readonly string[] | null;
  /** Beginnings of postcodes. */
  readonly postcodes: readonly string[] | null;
  readonly linkTags: readonly string[] | null;
  /** Thousandths of a kilogram. */
  readonly minWeight: number | null;
  readonly maxWeight: number | null;
  readonly minPastOrders: number | null;
  readonly maxPastOrders: number | null;
  readonly minLifetimeSpend: MinorUnits | null;
}

export interface BasketReward {
  readonly kind: 'basketReward';
  readonly items: ItemRule;
  readonly conditions: Conditions;
  readonly measure: 'after' | 'before';
  readonly threshold: 'subtotal' | 'units';
  /** `atLeast` in minor units or in units, by the threshold. */
  readonly tiers: readonly {
    readonly atLeast: number;
    readonly value:
      | { readonly kind: 'amountOff'; readonly amount: MinorUnits }
      | { readonly kind: 'percentOff'; readonly percent: BasisPoints };
  }[];
  readonly maxDiscount: MinorUnits | null;
  readonly combinesWith: 'all' | 'none' | readonly string[];
  readonly skipDiscounted: boolean;
}

export interface DeliveryReward {
  readonly kind: 'deliveryReward';
  /** Null: every way. */
  readonly ways: readonly string[] | null;
  readonly conditions: Conditions;
  readonly subtotal: MinorUnits | null;
  /** Thousandths of a kilogram. */
  readonly maxItemWeight: number | null;
  readonly value:
    | { readonly kind: 'free' }
    | { readonly kind: 'flat'; readonly amount: MinorUnits }
    | { readonly kind: 'percentOff'; readonly percent: BasisPoints };
}

/** Offers on units of a basket (pricing rules 4.1). */
export type UnitOffer = QuantityBreak | Bundle | RewardUnit | BuyAndGet | Combo | FreeGoods;
export type Offer = PriceChange | UnitOffer | BasketReward | DeliveryReward;
