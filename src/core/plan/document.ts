import type { RoundingDocument } from '../money/index.ts';
import type { OfferDocument, OfferDocuments } from './offers.ts';

/**
 * The open plan document, version 1, as it stands in a file. docs/plan-format.md tells the meaning of each field.
 * Only plain JSON values; nothing here is checked yet beyond its shape.
 */
export type Money = string;
export type LocalDateText = string;
export type LocalDateTimeText = string;

export interface PlanDocument {
  format: 'bell-tag-plan';
  version: 1;
  name?: string;
  currency: string;
  policy?: { priceChanges?: 'priority' | 'lowest'; baskets?: 'best' | 'priority'; marginFloor?: number };
  nodes: { id: string; name: string; parent?: string }[];
  items: ItemDocument[];
  itemSets?: ItemSetDocument[];
  zones?: { id: string; name: string }[];
  stores: StoreDocument[];
  storeGroups?: { id: string; name: string; rule: StoreRule }[];
  terminals?: { id: string; store: string; tags?: string[] }[];
  ranges?: { id: string; name: string; stores: StoreRule; items: ItemRule }[];
  shopperGroups?: ShopperGroupDocument[];
  shoppers?: ShopperDocument[];
  priceLists?: PriceListDocument[];
  promotions: PromotionDocument[];
}

/** A kind of shopper. */
export interface ShopperGroupDocument {
  id: string;
  name: string;
  priceList?: string;
  /** Cards whose number begins so, and has so many digits in all, are of this kind, whoever holds them. */
  cards?: { prefix: string; digits: number };
  /** Whether people may ask to be let in. */
  joining?: true;
}

/** A shopper with terms of their own: an account, one of its people, or somebody alone. They go by a number. */
export interface ShopperDocument {
  id: string;
  /** Of an account: a firm, a school. What people are called is kept beside the plan. */
  name?: string;
  /** The account whose terms hold for this one too. */
  account?: string;
  groups?: string[];
  priceList?: string;
  pastOrders?: number;
  lifetimeSpend?: Money;
}

export interface PriceRowDocument {
  price: Money;
  since?: LocalDateText;
  zone?: string;
  store?: string;
}

export interface ItemDocument {
  sku: string;
  name: string;
  node: string;
  gtin?: string;
  brand?: string;
  parent?: string;
  unit?: 'each' | 'kg' | 'l' | 'm';
  weight?: string;
  cost?: Money;
  attributes?: Record<string, string>;
  tags?: string[];
  /** How much is in one, for the price of a unit of measure. */
  content?: { amount: string; unit: 'kg' | 'l' | 'm' | 'piece' };
  /** Where it stands; sorted part by part, numbers as numbers. */
  shelf?: string;
  /** From this day on no store carries it. */
  retired?: LocalDateText;
  prices: PriceRowDocument[];
}

export interface ItemSetDocument {
  id: string;
  name: string;
  rule: ItemRule;
  /** A set that was frozen on a day: its rule lists what `live` selected then. */
  frozen?: { on: LocalDateText; live: ItemRule };
}

export interface StoreDocument {
  id: string;
  name: string;
  timeZone: string;
  zone?: string;
  region?: string;
  tags?: string[];
  /** When it is open; none: not known. */
  hours?: WindowDocument[];
  /** Where items stand, by sku, where this store differs. */
  shelves?: Record<string, string>;
}

export interface PriceListDocument {
  id: string;
  name: string;
  percent?: number;
  rounding?: RoundingDocument;
  prices?: Record<string, Money>;
}

export type ItemRule =
  | { all: true }
  | { items: string[] }
  | { node: string }
  | { set: string }
  | { brand: string }
  | { tag: string }
  | { attribute: string; in: string[] }
  | { regularPrice: { atLeast?: Money; atMost?: Money } }
  | { allOf: ItemRule[] }
  | { anyOf: ItemRule[] }
  | { not: ItemRule };

export type StoreRule =
  | { all: true }
  | { stores: string[] }
  | { group: string }
  | { zone: string }
  | { region: string }
  | { tag: string }
  | { allOf: StoreRule[] }
  | { anyOf: StoreRule[] }
  | { not: StoreRule };

export interface WindowDocument {
  days?: ('mon' | 'tue' | 'wed' | 'thu' | 'fri' | 'sat' | 'sun')[];
  from: string;
  to: string;
}

export interface WhenDocument {
  from: LocalDateTimeText;
  to?: LocalDateTimeText;
  windows?: WindowDocument[];
  repeat?: { rrule: string; duration: string };
  except?: LocalDateText[];
}

export interface WhoDocument {
  groups?: string[];
  shoppers?: string[];
  guests?: boolean;
}

/** On what terms the goods of a promotion can be bought. Tells the margin; sets no price. */
export interface SupplierTermsDocument {
  supplier?: string;
  /** The buying window; the first and the last day on which the cost holds. */
  from?: LocalDateText;
  to: LocalDateText;
  /** For every item that has no cost of its own in `costs`. */
  cost?: Money;
  costs?: Record<string, Money>;
  /** How much more than in an ordinary week is thought to be sold: 8000 is 80 % more. */
  uplift?: number;
}

export const PROMOTION_STATUSES = ['draft', 'approved', 'paused', 'archived'] as const;
export type PromotionStatus = (typeof PROMOTION_STATUSES)[number];

/** After how long the uses of something limited count anew. */
export const USE_SPANS = ['day', 'week', 'month'] as const;
export type UseSpan = (typeof USE_SPANS)[number];

export interface PromotionDocument {
  id: string;
  name: string;
  label?: Record<string, string>;
  /** A few words on the shelf tag, by language. */
  badge?: Record<string, string>;
  notes?: string;
  status: PromotionStatus;
  priority?: number;
  alone?: boolean;
  startsFrom?: 'tag' | 'base';
  where?: StoreRule;
  channels?: string[];
  terminals?: string[];
  when: WhenDocument;
  who?: WhoDocument;
  codes?: string[];
  /** A code of one of its batches does as well; those are kept beside the plan. */
  codeBatches?: true;
  uses?: {
    inAll?: number;
    perCode?: number;
    perShopper?: number;
    /** The same in units: those that a price change reduces, or that an offer on units uses. */
    unitsInAll?: number;
    unitsPerCode?: number;
    unitsPerShopper?: number;
    /** All of them count anew in each, by the calendar of the store; absent: once for all. A week begins on Monday. */
    every?: UseSpan;
    /** How many receipts a till that is cut off gives it by itself, told later; absent: none. */
    cutOff?: number;
  };
  limitPerBasket?: number;
  supplier?: SupplierTermsDocument;
  offer: OfferDocument;
}

/** A promotion that changes shelf prices. */
export type PriceChangePromotionDocument = PromotionDocument & { offer: OfferDocuments['priceChange'] };

export const isPriceChange = (promotion: PromotionDocument): promotion is PriceChangePromotionDocument =>
  promotion.offer.kind === 'priceChange';
