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
  shopperGroups?: { id: string; name: string; priceList?: string }[];
  shoppers?: { id: string; groups?: string[]; pastOrders?: number; lifetimeSpend?: Money }[];
  priceLists?: PriceListDocument[];
  promotions: PromotionDocument[];
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

export type RoundingDocument =
  | { step: Money; mode: 'nearest' | 'up' | 'down' }
  | { endings: Money[]; per?: Money; mode: 'nearest' | 'up' | 'down' };

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
  uses?: { inAll?: number; perCode?: number; perShopper?: number };
  limitPerBasket?: number;
  supplier?: SupplierTermsDocument;
  offer: OfferDocument;
}

export type ValueDocument =
  | { percentOff: number }
  | { amountOff: Money }
  | { amountOffEach: Money }
  | { each: Money }
  | { total: Money };

export type Basis = 'base' | 'regular' | 'cost' | { priceList: string };
export type FormulaDocument =
  | ({ basis?: Basis } & (
      | { percentOff: number }
      | { amountOff: Money }
      | { setTo: Money }
      | { multiplyBy: string }
    ))
  | { addPercent: number }
  | { marginOnPrice: number };

export interface PriceChangeDocument {
  kind: 'priceChange';
  items: ItemRule;
  formula?: FormulaDocument;
  linePrices?: Record<string, Money>;
  linePricesIn?: LinePricesInDocument[];
  rounding?: RoundingDocument;
  onTop?: boolean;
  of?: 'running' | 'base';
  mayRaise?: boolean;
  /** How the line prices came about. Sets no price itself. */
  worksheet?: WorksheetDocument;
}

/** Line prices of one zone or one store, exactly one of the two. */
export interface LinePricesInDocument {
  zone?: string;
  store?: string;
  prices: Record<string, Money>;
}

/** One pass over part of a worksheet's goods. A later pass overwrites what an earlier one made of the same line. */
export interface PassDocument {
  name?: string;
  items: ItemRule;
  formula: FormulaDocument;
  rounding?: RoundingDocument;
}

export interface WorksheetDocument {
  passes: PassDocument[];
  /** Prices set by hand, over whatever a pass makes of the line; also of items that no pass selects. */
  own?: Record<string, Money>;
  /** The same in one zone or store alone, or, where neither is named, wherever an item has no price of a nearer place. */
  ownIn?: LinePricesInDocument[];
  /** Items that a pass selects and that are taken out all the same. */
  removed?: string[];
}

export interface ConditionsDocument {
  payments?: string[];
  deliveries?: string[];
  regions?: string[];
  postcodes?: string[];
  linkTags?: string[];
  minWeight?: string;
  maxWeight?: string;
  minPastOrders?: number;
  maxPastOrders?: number;
  minLifetimeSpend?: Money;
}

interface Part {
  items: ItemRule;
  quantity: number;
}

export type OfferDocument =
  | PriceChangeDocument
  | {
      kind: 'quantityBreak';
      items: ItemRule;
      count: 'item' | 'family' | 'set';
      beyond?: boolean;
      tiers: ({ atLeast: number } & ValueDocument)[];
    }
  | { kind: 'mixAndMatch'; items: ItemRule; take: number; value: ValueDocument }
  | {
      kind: 'mixAndMatch';
      items: ItemRule;
      take: number;
      rewarded: number;
      pick: 'cheapest' | 'dearest';
      value: ValueDocument;
    }
  | { kind: 'mixAndMatch'; buy: Part[]; get: Part; notDearer?: boolean; value: ValueDocument }
  | {
      kind: 'combo';
      slots: ({ name: string; each?: Money } & Part)[];
      value?: ValueDocument;
      extra?: Record<string, Money>;
      /** What the till shows: the SHA-256 of a picture's bytes, in hexadecimal. */
      picture?: string;
    }
  | {
      kind: 'freeGoods';
      items: ItemRule;
      count: 'item' | 'family' | 'set';
      minimum?: number;
      every: number;
      free: number;
      parts: 'whole' | 'prorated';
      gift?: string;
      maxFree?: number;
    }
  | {
      kind: 'basketReward';
      items?: ItemRule;
      conditions?: ConditionsDocument;
      measure?: 'after' | 'before';
      threshold: 'subtotal' | 'units';
      tiers: ({ atLeast: Money | number } & ValueDocument)[];
      maxDiscount?: Money;
      combinesWith?: 'all' | 'none' | string[];
      skipDiscounted?: boolean;
    }
  | {
      kind: 'deliveryReward';
      ways?: string[];
      conditions?: ConditionsDocument & { subtotal?: Money };
      maxItemWeight?: string;
      value: { free: true } | { flat: Money } | { percentOff: number };
    };
/** A promotion that changes shelf prices. */
export type PriceChangePromotionDocument = PromotionDocument & { offer: PriceChangeDocument };

export const isPriceChange = (promotion: PromotionDocument): promotion is PriceChangePromotionDocument =>
  promotion.offer.kind === 'priceChange';
