import { boundsOf, DAY, type Instant } from '../calendar/index.ts';
import { besideThose, only } from '../offer/index.ts';
import {
  type ItemDocument,
  type ItemRule,
  isPriceChange,
  linePricesAt,
  type PlanDocument,
  type PromotionDocument,
  readSchedule,
  roomOf,
  type StoreDocument,
  withRules,
} from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { storesOf } from '../selection/index.ts';
import { withTerms } from './with-terms.ts';

/**
 * What one store's terminals need to price by themselves: a plan document of that store alone. Rules on stores are
 * worked out already; everything else the terminal computes with the same core.
 */
export interface PriceFileContent {
  readonly format: 'bell-tag-price-file';
  readonly version: 1;
  readonly store: string;
  /** Rises from file to file of a store. */
  readonly number: number;
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  /** ISO 8601, UTC: then a newer one should have come. Absent in files from before they had an end. */
  readonly goodUntil?: string;
  /** The id of the key that signed it; absent in files from before keys had names. */
  readonly key?: string;
  readonly plan: PlanDocument;
}

/** How long a file is good for; what nobody changes is renewed when half of that is over. */
const GOOD_FOR = 14 * DAY;
export const RENEWED_AFTER = GOOD_FOR / 2;

/** What differs in every file: when it was made, and until when it is good. */
export const datesOf = (now: Instant): { readonly madeAt: string; readonly goodUntil: string } => ({
  madeAt: isoOf(now),
  goodUntil: isoOf((now + GOOD_FOR) as Instant),
});

const isoOf = (at: Instant): string => new Date(at).toISOString();

/** A promotion that was over longer ago than this is not sent. */
const KEPT_AFTER_END = 2 * DAY;

/**
 * Makes the plans of single stores at a moment: what a store carries, its prices, its approved promotions that are not
 * over. Stores of one zone share the items that have no price of one store, and stores with the same goods share what
 * is left of lists, sets and promotions among these, all as the very same objects.
 */
export function storePlans(
  document: PlanDocument,
  compiled: CompiledPlan,
  now: Instant,
): (store: string) => PlanDocument {
  const going = goingOn(document, compiled, now);
  const goodsOf = sharedGoods(document, compiled);
  return (id) => {
    const store = compiled.stores.get(id)!;
    const goods = goodsOf(id);
    const promotions = going(store).map((promotion) => pricedAt(promotion, store));
    const named = new Set(promotions.flatMap(({ who }) => who?.shoppers ?? []));
    return {
      ...document,
      items: goods.itemsIn(store),
      itemSets: goods.itemSets,
      stores: [told(store)],
      storeGroups: [],
      zones: (document.zones ?? []).filter((zone) => zone.id === store.zone),
      terminals: (document.terminals ?? []).filter((terminal) => terminal.store === id),
      ranges: [],
      shoppers: withTerms(document.shoppers ?? [], named),
      priceLists: goods.priceLists,
      promotions: beside(promotions.flatMap((promotion) => goods.leftOf(promotion) ?? [])),
    };
  };
}

/** What stores that carry the very same goods have in common. */
interface SharedGoods {
  /** With their parents, and with the prices that can count in a store; the very same list where none is its own. */
  itemsIn(store: StoreDocument): ItemDocument[];
  readonly itemSets: NonNullable<PlanDocument['itemSets']>;
  readonly priceLists: NonNullable<PlanDocument['priceLists']>;
  /** What is left of a promotion among these goods; null: nothing. */
  leftOf(promotion: PromotionDocument): PromotionDocument | null;
}

function sharedGoods(document: PlanDocument, compiled: CompiledPlan): (store: string) => SharedGoods {
  const shared = new Map<object, SharedGoods>();
  const inZone = itemsOfZones();
  return (store) => {
    const assortment = compiled.assortmentOf(store);
    const found =
      shared.get(assortment) ?? goodsOf(document, carriedItems(document, compiled, store), inZone);
    shared.set(assortment, found);
    return found;
  };
}

function goodsOf(document: PlanDocument, items: readonly ItemDocument[], inZone: ItemOfZone): SharedGoods {
  const skus = new Set(items.map(({ sku }) => sku));
  const left = new WeakMap<PromotionDocument, { readonly one: PromotionDocument | null }>();
  return {
    itemsIn: itemsIn(items, inZone),
    itemSets: (document.itemSets ?? []).map(({ frozen: _, ...set }) => ({
      ...set,
      rule: prune(set.rule, skus),
    })),
    priceLists: (document.priceLists ?? []).map((list) =>
      list.prices ? { ...list, prices: only(list.prices, skus) } : list,
    ),
    leftOf(promotion) {
      const found = left.get(promotion) ?? { one: forStore(promotion, skus) };
      left.set(promotion, found);
      return found.one;
    },
  };
}

/** The plan of one store. */
export const storePlan = (
  document: PlanDocument,
  compiled: CompiledPlan,
  store: string,
  now: Instant,
): PlanDocument => storePlans(document, compiled, now)(store);

/** The approved promotions of a store that are not over. */
function goingOn(
  document: PlanDocument,
  compiled: CompiledPlan,
  now: Instant,
): (store: StoreDocument) => PromotionDocument[] {
  const changes = new Map(compiled.changes.map((change) => [change.promotion.id, change]));
  const approved = document.promotions
    .filter(({ status }) => status === 'approved')
    .map((promotion) => {
      const schedule = readSchedule(promotion.when);
      const isOver = new Map<string, boolean>();
      return {
        promotion,
        stores:
          changes.get(promotion.id)?.stores() ?? storesOf(promotion.where ?? { all: true }, compiled.plan),
        isOverIn(store: StoreDocument): boolean {
          const found =
            isOver.get(store.timeZone) ??
            boundsOf(schedule, compiled.clockOf(store)).to + KEPT_AFTER_END <= now;
          isOver.set(store.timeZone, found);
          return found;
        },
      };
    });
  return (store) =>
    approved
      .filter(({ stores, isOverIn }) => stores.has(store.id) && !isOverIn(store))
      .map(({ promotion }) => promotion);
}

/** Promotions as a store's terminals get them: what is left of them among the items that it carries. */
export const keptInStore = (
  promotions: readonly PromotionDocument[],
  skus: ReadonlySet<string>,
): PromotionDocument[] => beside(promotions.flatMap((promotion) => forStore(promotion, skus) ?? []));

/** Each with those alone named in it that are there. */
function beside(promotions: readonly PromotionDocument[]): PromotionDocument[] {
  const ids = new Set(promotions.map(({ id }) => id));
  return promotions.map((promotion) => {
    const offer = besideThose(promotion.offer, ids);
    return offer === promotion.offer ? promotion : { ...promotion, offer };
  });
}

/** Carried items with their parents. */
function carriedItems(document: PlanDocument, compiled: CompiledPlan, storeId: string): ItemDocument[] {
  const carried = document.items.filter(({ sku, prices }) => {
    const index = compiled.catalogue.indexOf.get(sku)!;
    return prices.length > 0 && compiled.carries(storeId, index, null);
  });
  const kept = new Set(carried.flatMap(({ sku, parent }) => (parent === undefined ? [sku] : [sku, parent])));
  return document.items.filter(({ sku }) => kept.has(sku));
}

/** What a terminal needs of its store: no shelves, which name goods of any day, and no hours. */
const told = ({ hours: _, shelves: __, ...store }: StoreDocument): StoreDocument => store;

/** Keeps only the price rows that can count in a store. */
function itemsIn(
  items: readonly ItemDocument[],
  inZone: ItemOfZone,
): (store: StoreDocument) => ItemDocument[] {
  const byZone = new Map<string | undefined, ItemDocument[]>();
  const own = new Map<string, Set<number>>();
  items.forEach(({ prices }, index) => {
    for (const { store } of prices)
      if (store !== undefined) own.set(store, (own.get(store) ?? new Set()).add(index));
  });
  return ({ id, zone }) => {
    const shared = byZone.get(zone) ?? items.map((item) => inZone(item, zone));
    byZone.set(zone, shared);
    const mine = own.get(id);
    return mine
      ? shared.map((item, index) => (mine.has(index) ? trimmed(items[index]!, zone, id) : item))
      : shared;
  };
}

/** An item as a zone's stores get it that have no price of their own for it. */
type ItemOfZone = (item: ItemDocument, zone: string | undefined) => ItemDocument;

/** Stores of one zone share an item whatever else they carry; all do where no zone has a price of its own for it. */
function itemsOfZones(): ItemOfZone {
  const known = new Map<string | undefined, Map<ItemDocument, ItemDocument>>();
  return (item, zone) => {
    const key = item.prices.some((row) => row.zone !== undefined) ? zone : undefined;
    const ofZone = known.get(key) ?? new Map<ItemDocument, ItemDocument>();
    known.set(key, ofZone);
    const found = ofZone.get(item) ?? trimmed(item, key);
    ofZone.set(item, found);
    return found;
  };
}

const trimmed = (
  { shelf: _, ...item }: ItemDocument,
  zone: string | undefined,
  store?: string,
): ItemDocument => ({
  ...item,
  prices: item.prices.filter(
    (row) =>
      (row.store === undefined || row.store === store) && (row.zone === undefined || row.zone === zone),
  ),
});

/** With the line prices of this store, and of no other place. */
function pricedAt(promotion: PromotionDocument, store: StoreDocument): PromotionDocument {
  if (!isPriceChange(promotion) || !promotion.offer.linePricesIn) return promotion;
  const { linePricesIn: _, ...rest } = promotion.offer;
  return { ...promotion, offer: { ...rest, linePrices: linePricesAt(promotion.offer, store) } };
}

/**
 * Without its rule on stores, what is for colleagues only, and names of items that the store does not carry.
 * @returns null where nothing is left of its offer
 */
function forStore(promotion: PromotionDocument, skus: ReadonlySet<string>): PromotionDocument | null {
  const { where: _, offer, notes: __, supplier: ___, ...rest } = promotion;
  const room = roomOf(offer);
  const left = room.atStore ? room.atStore(offer, skus) : offer;
  return left && { ...rest, offer: withRules(left, (rule) => prune(rule, skus)) };
}

function prune(rule: ItemRule, skus: ReadonlySet<string>): ItemRule {
  if ('items' in rule) return { items: rule.items.filter((sku) => skus.has(sku)) };
  if ('allOf' in rule) return { allOf: rule.allOf.map((part) => prune(part, skus)) };
  if ('anyOf' in rule) return { anyOf: rule.anyOf.map((part) => prune(part, skus)) };
  return 'not' in rule ? { not: prune(rule.not, skus) } : rule;
}
