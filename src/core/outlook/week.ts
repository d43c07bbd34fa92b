import { DAY, type DayNumber, dayNumber, midnight, wallTime } from '../calendar/index.ts';
import {
  type BasketOfferPromotion,
  barOf,
  book,
  type CompiledPlan,
  DEFAULT_CHANNEL,
  NO_PRICE,
  type Situation,
  situationOf,
} from '../price-book/index.ts';
import { isUnitOffer } from '../receipt/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { type Assumptions, timesSold, unitsADay } from './assumptions.ts';
import { type DealEffect, dealEffect } from './deal-effect.ts';
import { type Compared, joined, NOTHING, sold, widened } from './sums.ts';

export interface DepartmentWeek extends Compared {
  /** The first node above its goods. */
  readonly department: string;
  readonly goods: number;
  /** How many of them some promotion makes cheaper on some day. */
  readonly promoted: number;
}

export interface WeekOutlook {
  readonly departments: readonly DepartmentWeek[];
  readonly days: readonly (Compared & { readonly day: DayNumber })[];
  readonly whole: Compared;
  readonly withoutCost: number;
  readonly stores: { readonly looked: number; readonly of: number };
}

const MOST_ROWS = 1_000;
/** A day is looked at when most is sold. */
const HOUR_OF_DAY = DAY / 2;

/**
 * What all promotions of seven days would do, department by department: price changes at their prices, deals as far as
 * they are taken, of several deals on a good the one that is worth most. Rewards on the basket are left out: they come
 * of what a basket holds, and nobody takes one good more for them.
 */
export function weekOutlook(
  compiled: CompiledPlan,
  first: DayNumber,
  asked: readonly string[],
  assumed: Assumptions,
): WeekOutlook {
  const { catalogue } = compiled;
  const plain: CompiledPlan = { ...compiled, changes: [], offers: [] };
  const step = Math.max(1, Math.ceil((asked.length * 7) / MOST_ROWS));
  const stores = asked.filter((_, i) => i % step === 0);
  const departments = departmentsOf(compiled);
  const sums = new Map<string, Compared>();
  const days = new Map<DayNumber, Compared>();
  const seen = new Set<number>();
  const promoted = new Set<number>();
  const deals = dealsOf(compiled);
  const taken = assumed.takeUp / 10_000;
  for (const id of stores) {
    const store = compiled.stores.get(id)!;
    const clock = compiled.clockOf(store);
    for (let day = first; day < first + 7; day++) {
      const number = dayNumber(day);
      const at = clock.toInstant(wallTime(midnight(number) + HOUR_OF_DAY));
      const was = book(plain, at, [id]).prices;
      const now = book(compiled, at, [id]).prices;
      const paysFor = deals(situationOf(compiled, store, { at, shopper: GUEST, channel: DEFAULT_CHANNEL }));
      let whole = days.get(number) ?? NOTHING;
      catalogue.items.forEach(({ sku, cost }, index) => {
        if (was[index] === NO_PRICE || now[index] === NO_PRICE) return;
        seen.add(index);
        const { pays, gifts } = paysFor(index);
        const paid = now[index]! * (1 - taken * (1 - pays));
        const given = now[index]! * taken * gifts;
        const units = unitsADay(assumed, sku);
        if (paid !== was[index] || given > 0) promoted.add(index);
        const times = timesSold(assumed, sku, was[index]!, paid - given);
        const one = {
          without: sold(units, was[index]!, cost),
          with: sold(units * times, paid, cost === null ? null : cost + given),
        };
        whole = joined(whole, one);
        sums.set(departments[index]!, joined(sums.get(departments[index]!) ?? NOTHING, one));
      });
      days.set(number, whole);
    }
  }
  const by = stores.length === 0 ? 1 : asked.length / stores.length;
  const count = (of: ReadonlySet<number>, department: string) =>
    [...of].filter((index) => departments[index] === department).length;
  return {
    departments: [...sums].map(([department, one]) => ({
      department,
      goods: count(seen, department),
      promoted: count(promoted, department),
      ...widened(one, by),
    })),
    days: [...days].map(([day, one]) => ({ day, ...widened(one, by) })),
    whole: widened([...days.values()].reduce(joined, NOTHING), by),
    withoutCost: [...seen].filter((index) => catalogue.items[index]!.cost === null).length,
    stores: { looked: stores.length, of: asked.length },
  };
}

const NO_EFFECT: DealEffect = { pays: 1, gifts: 0 };

/** For each item the department that it is in. */
function departmentsOf({ plan, catalogue }: CompiledPlan): readonly string[] {
  const parents = new Map(plan.nodes.map(({ id, parent }) => [id, parent]));
  const top = new Map<string, string>();
  const topOf = (node: string): string => {
    const known = top.get(node);
    if (known) return known;
    const parent = parents.get(node);
    const found = parent === undefined || parent === null ? node : topOf(parent);
    top.set(node, found);
    return found;
  };
  return catalogue.items.map(({ node }) => topOf(node));
}

/** What the deals that are live in a situation make of a good: the one that leaves the least to pay. */
function dealsOf(compiled: CompiledPlan): (situation: Situation) => (index: number) => DealEffect {
  const effects = new Map<string, DealEffect>();
  const byLive = new Map<string, Map<number, DealEffect>>();
  return (situation) => {
    const live = compiled.offers.filter(
      (offer) => isUnitOffer(offer.promotion.offer) && barOf(offer, situation) === null,
    );
    const key = live.map(({ promotion }) => promotion.id).join('\n');
    const known = byLive.get(key) ?? new Map<number, DealEffect>();
    byLive.set(key, known);
    return (index) => {
      const found = known.get(index);
      if (found) return found;
      let best = NO_EFFECT;
      for (const offer of live) {
        if (!offer.parts().some((part) => part.mayHave(index))) continue;
        const { id } = offer.promotion;
        const effect = effects.get(id) ?? dealEffect(compiled, offer.promotion as BasketOfferPromotion);
        effects.set(id, effect);
        if (effect.pays - effect.gifts < best.pays - best.gifts) best = effect;
      }
      known.set(index, best);
      return best;
    };
  };
}
