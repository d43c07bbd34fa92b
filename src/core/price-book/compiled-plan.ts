import {
  type Instant,
  type Schedule,
  type Span,
  spansWithin,
  type ZoneClock,
  zoneClock,
} from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Plan, PriceList, ShopperRecord, StoreDocument } from '../plan/index.ts';
import {
  type Catalogue,
  compileItemRule,
  type ItemSelection,
  indexCatalogue,
  storesOf,
} from '../selection/index.ts';
import {
  lowestFirst,
  type PriceChangePromotion,
  priorityFirst,
  type Shopper,
  type WinnerOrder,
} from '../tag-price/index.ts';
import { isWide, largestStart, mayBeWide } from './amounts.ts';
import { type CompiledOffer, compileOffers } from './compiled-offer.ts';
import { type Grounds, groundsOf } from './ground.ts';
import { type PriceTable, priceTable } from './price-table.ts';
import { type Assortment, assortments } from './ranges.ts';
import { type Shelf, shelves } from './shelf.ts';
import { shelfOrder } from './shelf-order.ts';

/** A price change with its selections worked out on first use. */
export interface CompiledChange {
  readonly promotion: PriceChangePromotion;
  selection(): ItemSelection;
  stores(): ReadonlySet<string>;
  /** Numbers of the selected items, rising; null where that depends on regular prices. */
  numbers(): Int32Array | null;
  /** What its formula makes of amounts. */
  table(): PriceTable;
}

/** A plan made ready to answer price questions. Holds nothing that depends on when it is asked. */
export interface CompiledPlan {
  readonly plan: Plan;
  readonly catalogue: Catalogue;
  readonly stores: ReadonlyMap<string, StoreDocument>;
  readonly priceLists: ReadonlyMap<string, PriceList>;
  readonly order: WinnerOrder;
  /** By id. */
  readonly changes: readonly CompiledChange[];
  /** Offers over the basket, by id. */
  readonly offers: readonly CompiledOffer[];
  clockOf(store: Pick<StoreDocument, 'timeZone'>): ZoneClock;
  /** Those who have terms of their own, by number. */
  readonly shoppers: ReadonlyMap<string, ShopperRecord>;
  /** The lists of somebody's groups, their own and their account's. */
  listsOf(shopper: Shopper): readonly PriceList[];
  assortmentOf(store: string): Assortment;
  /** Whether a range lets the store carry an item, whose regular price there and then is given. */
  carries(store: string, index: number, regular: MinorUnits | null): boolean;
  readonly shelf: Shelf;
  readonly grounds: Grounds;
}

/** Compiles a checked plan; selections follow when they are first asked for. */
export function compile(plan: Plan): CompiledPlan {
  const catalogue = indexCatalogue(plan);
  const priceLists = new Map(plan.priceLists.map((list) => [list.id, list]));
  const listOfGroup = new Map(plan.shopperGroups.map(({ id, priceList }) => [id, priceList]));
  const shoppers = new Map(plan.shoppers.map((one) => [one.id, one]));
  const clocks = new Map<string, ZoneClock>();
  const assortmentOf = assortments(plan, catalogue);
  const changes = compileChanges(plan, catalogue);
  const largest = largestStart(plan);
  const wide = needsWide(largest, changes);
  const grounds = groundsOf(catalogue, { orderOf: () => shelfOrder(plan), wide, largest });
  return {
    plan,
    catalogue,
    priceLists,
    stores: new Map(plan.stores.map((store) => [store.id, store])),
    order: plan.policy.priceChanges === 'lowest' ? lowestFirst : priorityFirst,
    changes,
    offers: compileOffers(plan, catalogue),
    assortmentOf,
    carries: (store, index, regular) => assortmentOf(store).carries(index, regular),
    grounds,
    shelf: shelves(catalogue, grounds, assortmentOf),
    clockOf({ timeZone }) {
      const clock = clocks.get(timeZone) ?? zoneClock(timeZone);
      clocks.set(timeZone, clock);
      return clock;
    },
    shoppers,
    listsOf(shopper) {
      if (shopper.kind === 'guest') return [];
      const { id, account, groups } = shopper;
      const own = [id, account].flatMap((one) => (one == null ? [] : (shoppers.get(one)?.priceLists ?? [])));
      const ofGroups = groups.flatMap((group) => listOfGroup.get(group) ?? []);
      const ids = new Set([...ofGroups, ...own]);
      return [...ids].map((id) => priceLists.get(id)!);
    },
  };
}

/** Whether some amount that these changes make may need more than 32 bits. */
export const needsWide = (largest: number, changes: readonly CompiledChange[]): boolean =>
  isWide(largest) || changes.some(({ promotion }) => mayBeWide(promotion.offer, largest));

export function compileChanges(plan: Plan, catalogue: Catalogue): CompiledChange[] {
  return plan.promotions
    .filter((promotion): promotion is PriceChangePromotion => promotion.offer.kind === 'priceChange')
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map((promotion) => compileChange(promotion, plan, catalogue));
}

export function compileChange(
  promotion: PriceChangePromotion,
  plan: Plan,
  catalogue: Catalogue,
): CompiledChange {
  let selection: ItemSelection | undefined;
  let stores: ReadonlySet<string> | undefined;
  let table: PriceTable | undefined;
  return {
    promotion,
    selection() {
      selection ??= compileItemRule(promotion.offer.items, catalogue, plan.currency);
      return selection;
    },
    stores() {
      stores ??= storesOf(promotion.where, plan);
      return stores;
    },
    numbers() {
      return this.selection().numbers();
    },
    table() {
      table ??= priceTable(promotion.offer);
      return table;
    },
  };
}

/** Whether a schedule counts at an instant. */
export function isLive(schedule: Schedule, clock: ZoneClock, at: Instant): boolean {
  const moment: Span = { from: at, to: (at + 1) as Instant };
  return spansWithin(schedule, clock, moment).length > 0;
}
