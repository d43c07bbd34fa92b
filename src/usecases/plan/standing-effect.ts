import type { StandingEffect } from '../../contracts/index.ts';
import { formatLocalDate, type Instant } from '../../core/calendar/index.ts';
import { pricesAhead } from '../../core/consequences/index.ts';
import { formatAmount, type MinorUnits } from '../../core/money/index.ts';
import { type CompiledPlan, NO_PRICE } from '../../core/price-book/index.ts';
import { ringKept } from '../check/index.ts';
import type { BasketCheckStore } from '../ports/index.ts';

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
  const items = new Set<number>();
  const stores = new Set<string>();
  const days = new Set<string>();
  const count = { up: 0, down: 0 };
  const some: StandingEffect['prices']['some'][number][] = [];
  const seen = new Set<string>();
  const money = (amount: number) =>
    amount === NO_PRICE ? 'not sold' : formatAmount(amount as MinorUnits, before.plan.currency);
  pricesAhead(before, after, now, ({ store, day, item, was, will }) => {
    const date = formatLocalDate(day);
    items.add(item);
    stores.add(store.id);
    days.add(date);
    const key = `${store.id} ${item}`;
    if (seen.has(key)) return;
    seen.add(key);
    count[will > was ? 'up' : 'down'] += 1;
    const { sku, name } = before.catalogue.items[item]!;
    if (some.length < TOLD)
      some.push({ sku, name, store: store.name, date, was: money(was), will: money(will) });
  });
  return { items: items.size, stores: stores.size, ...count, days: [...days].sort(), some };
}
