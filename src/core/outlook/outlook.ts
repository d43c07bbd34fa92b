import type { DayNumber } from '../calendar/index.ts';
import { askedThrough, costUnder, shopperFor } from '../consequences/index.ts';
import type { Promotion } from '../plan/index.ts';
import {
  apply,
  type BasketOfferPromotion,
  book,
  type CompiledPlan,
  goodsOf,
  NO_PRICE,
} from '../price-book/index.ts';
import { type Assumptions, timesSold, unitsADay } from './assumptions.ts';
import { daysOf } from './days-of.ts';
import { type DealEffect, dealEffect } from './deal-effect.ts';
import { type Compared, joined, NO_SUMS, NOTHING, plus, type Sums, scaled, sold, widened } from './sums.ts';

export interface OutlookDay extends Compared {
  readonly day: DayNumber;
  /** What other goods of the same groups lose. */
  readonly others: Sums;
}

export interface OutlookGood extends Compared {
  readonly sku: string;
  readonly name: string;
}

/** Goods of one group that are no part of the promotion, and what they lose to it. */
export interface LosingGroup {
  readonly node: string;
  readonly goods: number;
  readonly lost: Sums;
  /** Some of them, what loses most first. */
  readonly most: readonly { readonly sku: string; readonly name: string; readonly lost: Sums }[];
}

/** What a promotion would do to units, takings and margin, if what is assumed is so. */
export interface Outlook {
  readonly days: readonly OutlookDay[];
  /** What earns most with it first. */
  readonly goods: readonly OutlookGood[];
  readonly losing: readonly LosingGroup[];
  readonly whole: Compared & { readonly others: Sums };
  /** How many times as many units would earn as much as without it; null: no number would. */
  readonly breakEven: number | null;
  /** Its goods without a cost: they are part of units and takings alone. */
  readonly withoutCost: number;
  /** Of how many stores it was worked out, of how many. */
  readonly stores: { readonly looked: number; readonly of: number };
}

/** Stores times days that are priced; of more stores only every so-manieth is. */
const MOST_ROWS = 3_000;
const GOODS_TOLD = 3;

export function outlookOf(compiled: CompiledPlan, draft: Promotion, assumed: Assumptions): Outlook {
  const approved: Promotion = { ...draft, status: 'approved' };
  const before = apply(compiled, { kind: 'drop-promotion', id: draft.id }).compiled;
  const after = apply(compiled, { kind: 'put-promotion', promotion: approved }).compiled;
  const mine = goodsOf(after, approved.id);
  const effect =
    approved.offer.kind === 'priceChange' ? null : dealEffect(before, approved as BasketOfferPromotion);
  const counted = counting(after, mine, assumed, approved, effect);
  const placed = [...after.changes, ...after.offers].find(({ promotion }) => promotion.id === draft.id)!;
  const all = compiled.plan.stores.filter(({ id }) => placed.stores().has(id));
  const days = all.length === 0 ? 1 : daysOf(approved, compiled.clockOf(all[0]!)).length;
  const step = Math.max(1, Math.ceil((all.length * days) / MOST_ROWS));
  const looked = all.filter((_, i) => i % step === 0);
  const shopper = shopperFor(approved);
  for (const store of looked) {
    const through = askedThrough(after, approved, store.id);
    for (const { day, at, share } of daysOf(approved, compiled.clockOf(store))) {
      const row = (plan: CompiledPlan) =>
        book(plan, at, [store.id], counted.indexes, shopper, through).prices;
      counted.add(day, share, row(before), row(after));
    }
  }
  return counted.told({ looked: looked.length, of: all.length });
}

function counting(
  { catalogue }: CompiledPlan,
  mine: ReadonlySet<number>,
  assumed: Assumptions,
  { supplier }: Promotion,
  effect: DealEffect | null,
) {
  const items = catalogue.items;
  const nodes = [...new Set([...mine].map((index) => items[index]!.node))];
  const beside = nodes.map((node) =>
    catalogue.itemsIn(node).filter((index) => !mine.has(index) && !catalogue.isParent(index)),
  );
  const indexes = [...mine, ...beside.flat()];
  const placeOf = new Map(indexes.map((index, place) => [index, place]));
  const days = new Map<DayNumber, OutlookDay>();
  const goods = new Map<number, Compared>();
  const lost = new Map<number, Sums>();
  const taken = assumed.takeUp / 10_000;

  /** What is sold of one good on a day at one price and, as far as the promotion's hours go, at another. */
  function compared(index: number, was: number, now: number, share: number): Compared {
    const { sku, cost } = items[index]!;
    const units = unitsADay(assumed, sku);
    const without = sold(units, was, cost);
    const pays = effect ? now * (1 - taken * (1 - effect.pays)) : now;
    const gifts = effect ? now * taken * effect.gifts : 0;
    const times =
      gifts > 0 || pays !== was ? timesSold(assumed, sku, was, pays === was ? was - gifts : pays) : 1;
    const under = costUnder(supplier, items[index]!);
    const during = sold(units * times, pays, under === null ? null : under + gifts);
    return { without, with: plus(scaled(without, 1 - share), scaled(during, share)) };
  }

  /** What the other goods of a group lose to further units of it, each by what it sells. */
  function others(further: number, group: readonly number[], prices: ArrayLike<number>): Sums {
    const here = group.filter((index) => prices[placeOf.get(index)!] !== NO_PRICE);
    const all = here.reduce((sum, index) => sum + unitsADay(assumed, items[index]!.sku), 0);
    if (all === 0 || further <= 0) return NO_SUMS;
    const part = Math.min(1, (further * assumed.fromOthers) / 10_000 / all);
    return here.reduce((sum, index) => {
      const { sku, cost } = items[index]!;
      const loses = sold(unitsADay(assumed, sku) * part, prices[placeOf.get(index)!]!, cost);
      lost.set(index, plus(lost.get(index) ?? NO_SUMS, loses));
      return plus(sum, loses);
    }, NO_SUMS);
  }

  function add(day: DayNumber, share: number, was: ArrayLike<number>, now: ArrayLike<number>): void {
    let sums: OutlookDay = days.get(day) ?? { day, ...NOTHING, others: NO_SUMS };
    const further = new Map<string, number>();
    for (const index of mine) {
      const place = placeOf.get(index)!;
      if (was[place] === NO_PRICE || now[place] === NO_PRICE) continue;
      const one = compared(index, was[place]!, now[place]!, share);
      const { node } = items[index]!;
      further.set(node, (further.get(node) ?? 0) + one.with.units - one.without.units);
      goods.set(index, joined(goods.get(index) ?? NOTHING, one));
      sums = { ...sums, ...joined(sums, one) };
    }
    nodes.forEach((node, i) => {
      sums = { ...sums, others: plus(sums.others, others(further.get(node) ?? 0, beside[i]!, now)) };
    });
    days.set(day, sums);
  }

  function told(stores: Outlook['stores']): Outlook {
    const by = stores.looked === 0 ? 1 : stores.of / stores.looked;
    const whole = [...days.values()].reduce(
      (sum, day) => ({ ...joined(sum, day), others: plus(sum.others, day.others) }),
      { ...NOTHING, others: NO_SUMS },
    );
    return {
      stores,
      days: [...days.values()]
        .sort((a, b) => a.day - b.day)
        .map((day) => ({ ...day, ...widened(day, by), others: scaled(day.others, by) })),
      goods: [...goods]
        .map(([index, one]) => ({ sku: items[index]!.sku, name: items[index]!.name, ...widened(one, by) }))
        .sort((a, b) => b.with.margin - a.with.margin || (a.sku < b.sku ? -1 : 1)),
      losing: nodes.flatMap((node, i) => losingGroup(node, beside[i]!, by)),
      whole: { ...widened(whole, by), others: scaled(whole.others, by) },
      breakEven: breakEvenOf(whole),
      withoutCost: [...goods.keys()].filter((index) => items[index]!.cost === null).length,
    };
  }

  function losingGroup(node: string, group: readonly number[], by: number): LosingGroup[] {
    const most = group
      .flatMap((index) => {
        const loses = lost.get(index);
        const { sku, name } = items[index]!;
        return loses ? [{ sku, name, lost: scaled(loses, by) }] : [];
      })
      .sort((a, b) => b.lost.takings - a.lost.takings);
    if (most.length === 0) return [];
    const all = most.reduce((sum, one) => plus(sum, one.lost), NO_SUMS);
    return [{ node, goods: most.length, lost: all, most: most.slice(0, GOODS_TOLD) }];
  }

  return { indexes, add, told };
}

/** How many times the units that are sold without it would earn as much with it as they do without. */
function breakEvenOf({ without, with: during }: Compared): number | null {
  if (during.margin <= 0 || during.units === 0 || without.units === 0) return null;
  const each = during.margin / during.units;
  return Math.max(0, without.margin) / (each * without.units);
}
