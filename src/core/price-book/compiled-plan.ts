import {
  type Instant,
  type Schedule,
  type Span,
  spansWithin,
  type ZoneClock,
  zoneClock,
} from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Plan, PriceList, StoreDocument } from '../plan/index.ts';
import {
  type Catalogue,
  compileItemRule,
  type ItemSelection,
  indexCatalogue,
  numbersIn,
  storesOf,
} from '../selection/index.ts';
import {
  lowestFirst,
  type PriceChangePromotion,
  priorityFirst,
  type WinnerOrder,
} from '../tag-price/index.ts';
import { type CompiledOffer, compileOffers } from './compiled-offer.ts';
import { type PriceTable, priceTable } from './price-table.ts';
import { type Shelf, shelves } from './shelf.ts';

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
  clockOf(store: StoreDocument): ZoneClock;
  /** The lists of these shopper groups. */
  listsOf(groups: readonly string[]): readonly PriceList[];
  /** Whether a range lets the store carry an item, whose regular price there and then is given. */
  carries(store: string, index: number, regular: MinorUnits | null): boolean;
  readonly shelf: Shelf;
}

/** Compiles a checked plan; selections follow when they are first asked for. */
export function compile(plan: Plan): CompiledPlan {
  const catalogue = indexCatalogue(plan);
  const priceLists = new Map(plan.priceLists.map((list) => [list.id, list]));
  const listOfGroup = new Map(plan.shopperGroups.map(({ id, priceList }) => [id, priceList]));
  const clocks = new Map<string, ZoneClock>();
  const carries = carrier(plan, catalogue);
  return {
    plan,
    catalogue,
    priceLists,
    stores: new Map(plan.stores.map((store) => [store.id, store])),
    order: plan.policy.priceChanges === 'lowest' ? lowestFirst : priorityFirst,
    changes: compileChanges(plan, catalogue),
    offers: compileOffers(plan, catalogue),
    carries,
    shelf: shelves(catalogue, (store, index, regular) => carries(store, index, regular as MinorUnits | null)),
    clockOf({ timeZone }) {
      const clock = clocks.get(timeZone) ?? zoneClock(timeZone);
      clocks.set(timeZone, clock);
      return clock;
    },
    listsOf(groups) {
      const ids = new Set(groups.map((group) => listOfGroup.get(group)).filter((id) => id !== undefined));
      return [...ids].map((id) => priceLists.get(id)!);
    },
  };
}

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
  let numbers: Int32Array | null | undefined;
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
      numbers ??= numbersIn(this.selection().fixed);
      return numbers;
    },
    table() {
      table ??= priceTable(promotion.offer);
      return table;
    },
  };
}

/** Ranges add up; no ranges at all means that every store carries everything. */
function carrier(plan: Plan, catalogue: Catalogue): CompiledPlan['carries'] {
  if (plan.ranges.length === 0) return () => true;
  const ranges = plan.ranges.map((range) => ({
    stores: storesOf(range.stores, plan),
    items: compileItemRule(range.items, catalogue, plan.currency),
  }));
  const memo = new Map<string, readonly ItemSelection[]>();
  return (store, index, regular) => {
    let here = memo.get(store);
    if (!here) {
      here = ranges.filter((range) => range.stores.has(store)).map(({ items }) => items);
      memo.set(store, here);
    }
    return here.some((items) => items.has(index, regular));
  };
}

/** Whether a schedule counts at an instant. */
export function isLive(schedule: Schedule, clock: ZoneClock, at: Instant): boolean {
  const moment: Span = { from: at, to: (at + 1) as Instant };
  return spansWithin(schedule, clock, moment).length > 0;
}
