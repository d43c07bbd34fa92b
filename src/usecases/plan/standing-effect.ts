import type { StandingEffect } from '../../contracts/index.ts';
import {
  DAY,
  dayNumber,
  dayOf,
  formatLocalDate,
  type Instant,
  midnight,
  wallTime,
} from '../../core/calendar/index.ts';
import { formatAmount, type MinorUnits } from '../../core/money/index.ts';
import { book, type CompiledPlan, NO_PRICE } from '../../core/price-book/index.ts';
import { ringKept } from '../check/index.ts';
import type { BasketCheckStore } from '../ports/index.ts';

/** Days that are looked at, and the hour: when what has windows mostly counts. */
const DAYS = 28;
const HOUR_OF_DAY = DAY / 2;
/** Stores times days that are priced; of more stores only every so-manieth is. */
const MOST_ROWS = 3_000;
const TOLD = 12;

/** What another standing of promotions does to the prices of the weeks ahead, and to the baskets that are kept. */
export async function standingEffect(
  checks: BasketCheckStore,
  before: CompiledPlan,
  after: CompiledPlan,
  now: Instant,
): Promise<Pick<StandingEffect, 'prices' | 'baskets'>> {
  const kept = await checks.all();
  const others = kept.flatMap((check) => {
    const [was, will] = [before, after].map((plan) => ringKept(check, plan, now));
    return was === will ? [] : [{ name: check.name, was: was ?? null, will: will ?? null }];
  });
  return { prices: priceEffect(before, after, now), baskets: { of: kept.length, others } };
}

function priceEffect(before: CompiledPlan, after: CompiledPlan, now: Instant): StandingEffect['prices'] {
  const all = before.plan.stores;
  const step = Math.max(1, Math.ceil((all.length * DAYS) / MOST_ROWS));
  const items = new Set<number>();
  const stores = new Set<string>();
  const days = new Set<string>();
  const count = { up: 0, down: 0 };
  const some: StandingEffect['prices']['some'][number][] = [];
  const seen = new Set<string>();
  const money = (amount: number) =>
    amount === NO_PRICE ? 'not sold' : formatAmount(amount as MinorUnits, before.plan.currency);
  for (const store of all.filter((_, i) => i % step === 0)) {
    const clock = before.clockOf(store);
    const today = dayOf(clock.toWall(now));
    for (let day = today; day < today + DAYS; day++) {
      const at = clock.toInstant(wallTime(midnight(dayNumber(day)) + HOUR_OF_DAY));
      const [was, will] = [before, after].map((plan) => book(plan, at, [store.id]).prices);
      const date = formatLocalDate(dayNumber(day));
      was!.forEach((price, index) => {
        if (price === will![index]) return;
        items.add(index);
        stores.add(store.id);
        days.add(date);
        const key = `${store.id} ${index}`;
        if (seen.has(key)) return;
        seen.add(key);
        if (will![index]! > price) count.up += 1;
        else count.down += 1;
        const { sku, name } = before.catalogue.items[index]!;
        if (some.length < TOLD)
          some.push({ sku, name, store: store.name, date, was: money(price), will: money(will![index]!) });
      });
    }
  }
  return { items: items.size, stores: stores.size, ...count, days: [...days].sort(), some };
}
