import {
  type DayNumber,
  isRepeatFault,
  NO_RECURRENCE,
  parseLocalDate,
  parseRepeatRule,
  parseSpanLength,
  parseTimeOfDay,
  parseWallTime,
  type Schedule,
} from '../calendar/index.ts';
import {
  type BasisPoints,
  type Currency,
  currencyOf,
  readAmount,
  readAmounts,
  readRounding,
} from '../money/index.ts';
import type {
  ItemDocument,
  PlanDocument,
  PriceListDocument,
  PriceRowDocument,
  PromotionDocument,
  SupplierTermsDocument,
  WhenDocument,
  WhoDocument,
} from './document.ts';
import type { Item, Plan, PriceList, PriceRow, Promotion, SupplierTerms, Who } from './model.ts';
import { roomOf } from './offers.ts';
import { readShoppers } from './read-shoppers.ts';

/** Turns a document that {@link checkPlan} found no fault with into the plan the core computes with. */
export function readPlan(document: PlanDocument, known: KnownEntries = knownEntries()): Plan {
  const currency = currencyOf(document.currency)!;
  return {
    currency,
    policy: {
      priceChanges: document.policy?.priceChanges ?? 'priority',
      baskets: document.policy?.baskets ?? 'best',
      marginFloor: (document.policy?.marginFloor ?? null) as BasisPoints | null,
    },
    nodes: document.nodes,
    items: document.items.map((item) => readOnce(known.items, item, () => readItem(item, currency))),
    itemSets: document.itemSets ?? [],
    stores: document.stores,
    storeGroups: document.storeGroups ?? [],
    terminals: document.terminals ?? [],
    ranges: document.ranges ?? [],
    shoppers: readShoppers(document.shoppers ?? [], currency),
    shopperGroups: document.shopperGroups ?? [],
    priceLists: (document.priceLists ?? []).map((list) => readPriceList(list, currency)),
    promotions: document.promotions.map((promotion) =>
      readOnce(known.promotions, promotion, () => readPromotion(promotion, currency)),
    ),
  };
}

/** What was read before, of one currency: a document that stays the same object is read once. */
export interface KnownEntries {
  readonly items: WeakMap<ItemDocument, Item>;
  readonly promotions: WeakMap<PromotionDocument, Promotion>;
}

export const knownEntries = (): KnownEntries => ({ items: new WeakMap(), promotions: new WeakMap() });

function readOnce<D extends object, T>(known: WeakMap<D, T>, document: D, read: () => T): T {
  const found = known.get(document) ?? read();
  known.set(document, found);
  return found;
}

export function readItem(document: ItemDocument, currency: Currency): Item {
  const { prices, cost, retired, ...rest } = document;
  return {
    ...rest,
    cost: cost === undefined ? null : readAmount(cost, currency),
    retired: retired === undefined ? null : parseLocalDate(retired),
    prices: {
      chain: newestFirst(
        prices.filter((row) => !row.zone && !row.store),
        currency,
      ),
      zones: byScope(prices, (row) => row.zone, currency),
      stores: byScope(prices, (row) => row.store, currency),
    },
  };
}

function byScope(
  rows: readonly PriceRowDocument[],
  scopeOf: (row: PriceRowDocument) => string | undefined,
  currency: Currency,
): ReadonlyMap<string, readonly PriceRow[]> {
  const scopes = new Set(rows.map(scopeOf).filter((scope) => scope !== undefined));
  return new Map(
    [...scopes].map((scope) => [
      scope,
      newestFirst(
        rows.filter((row) => scopeOf(row) === scope),
        currency,
      ),
    ]),
  );
}

function newestFirst(rows: readonly PriceRowDocument[], currency: Currency): readonly PriceRow[] {
  return rows
    .map((row) => ({
      price: readAmount(row.price, currency),
      since: row.since === undefined ? null : parseLocalDate(row.since),
    }))
    .sort((a, b) => (b.since ?? Number.NEGATIVE_INFINITY) - (a.since ?? Number.NEGATIVE_INFINITY));
}

export function readPriceList(document: PriceListDocument, currency: Currency): PriceList {
  return {
    id: document.id,
    name: document.name,
    percent: (document.percent ?? null) as BasisPoints | null,
    rounding: document.rounding ? readRounding(document.rounding, currency) : null,
    prices: readAmounts(document.prices, currency),
  };
}

export function readPromotion(document: PromotionDocument, currency: Currency): Promotion {
  return {
    id: document.id,
    name: document.name,
    label: document.label ?? {},
    status: document.status,
    priority: document.priority ?? 100,
    alone: document.alone ?? false,
    where: document.where ?? { all: true },
    channels: document.channels ?? null,
    terminals: document.terminals ?? null,
    when: readSchedule(document.when),
    who: readWho(document.who),
    codes: document.codes ?? [],
    codeBatches: document.codeBatches ?? false,
    supplier: document.supplier ? readSupplierTerms(document.supplier, currency) : null,
    uses: {
      inAll: document.uses?.inAll ?? null,
      perCode: document.uses?.perCode ?? null,
      perShopper: document.uses?.perShopper ?? null,
      unitsInAll: document.uses?.unitsInAll ?? null,
      unitsPerCode: document.uses?.unitsPerCode ?? null,
      unitsPerShopper: document.uses?.unitsPerShopper ?? null,
      every: document.uses?.every ?? null,
      cutOff: document.uses?.cutOff ?? 0,
    },
    limitPerBasket: document.limitPerBasket ?? null,
    startsFrom: document.startsFrom ?? 'tag',
    offer: roomOf(document.offer).read(document.offer, currency),
  };
}

function readSupplierTerms(terms: SupplierTermsDocument, currency: Currency): SupplierTerms {
  return {
    from: terms.from === undefined ? null : parseLocalDate(terms.from),
    to: parseLocalDate(terms.to) as DayNumber,
    cost: terms.cost === undefined ? null : readAmount(terms.cost, currency),
    costs: readAmounts(terms.costs, currency),
    uplift: terms.uplift ?? 0,
  };
}

export function readSchedule(when: WhenDocument): Schedule {
  const from = parseWallTime(when.from)!;
  return {
    from,
    to: when.to === undefined ? null : parseWallTime(when.to),
    windows: (when.windows ?? []).map((window) => ({
      days: window.days ?? null,
      from: parseTimeOfDay(window.from)!,
      to: parseTimeOfDay(window.to, true)!,
    })),
    repeat: when.repeat ? readRepeat(when.repeat, from) : null,
    except: new Set((when.except ?? []).map((date) => parseLocalDate(date) as DayNumber)),
  };
}

/** A rule that was kept before it was refused prices nothing, and stops nobody else. */
function readRepeat(repeat: NonNullable<WhenDocument['repeat']>, from: Schedule['from']) {
  const rule = parseRepeatRule(repeat.rrule, from);
  const length = parseSpanLength(repeat.duration);
  return isRepeatFault(rule) || !length
    ? { rule: NO_RECURRENCE(from), length: { days: 1, elapsed: 0 } }
    : { rule, length };
}

function readWho(who: WhoDocument | undefined): Who {
  if (!who || (who.groups === undefined && who.shoppers === undefined && who.guests === undefined)) {
    return { kind: 'everyone' };
  }
  return {
    kind: 'some',
    groups: who.groups ?? [],
    shoppers: who.shoppers ?? [],
    guests: who.guests === true,
    anyShopper: who.guests === false && who.groups === undefined && who.shoppers === undefined,
  };
}
