import type { ZonePrices } from '../../contracts/index.ts';
import { type Person, sees } from '../../contracts/index.ts';
import { type DayNumber, dayOf, formatLocalDate, type Instant } from '../../core/calendar/index.ts';
import { formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { Item, StoreDocument } from '../../core/plan/index.ts';
import { priceAt } from '../../core/price-book/index.ts';
import { GUEST, priceChangeDays, regularPrice } from '../../core/tag-price/index.ts';
import type { CurrentPlan } from '../ports/index.ts';

/**
 * One item by price zone: its regular price as it is and as it will be, and what guests pay in the stores there.
 * A store's own price is not the zone's: it shows in what is paid alone.
 */
export function pricesByZone(
  { document, compiled }: CurrentPlan,
  person: Person,
  sku: string,
  at: Instant,
): ZonePrices[] {
  const item = compiled.catalogue.items[compiled.catalogue.indexOf.get(sku)!]!;
  const money = (amount: number) => formatAmount(amount as MinorUnits, compiled.plan.currency);
  const stores = [...compiled.stores.values()].filter(({ id }) => sees(person, id));
  const zones = new Map<string | null, StoreDocument[]>();
  for (const store of stores) {
    const zone = store.zone ?? null;
    zones.set(zone, [...(zones.get(zone) ?? []), store]);
  }
  const nameOf = new Map((document.zones ?? []).map(({ id, name }) => [id, name]));
  return [...zones].map(([zone, there]) => {
    const day = dayOf(compiled.clockOf(there[0]!).toWall(at));
    const paid = there.flatMap(({ id }) => {
      const answer = priceAt(compiled, { sku, store: id, at, shopper: GUEST });
      return answer.kind === 'price' ? [answer.price as number] : [];
    });
    const steps = stepsOf(item, { ...there[0]!, id: '' }, day);
    return {
      zone: zone === null ? null : (nameOf.get(zone) ?? zone),
      regular: steps.map(({ from, price }) => ({ from, price: price === null ? null : money(price) })),
      stores: paid.length,
      paid: paid.length === 0 ? null : { low: money(Math.min(...paid)), high: money(Math.max(...paid)) },
    };
  });
}

/** The price on a day, and each later day on which it becomes another one. */
function stepsOf(
  item: Item,
  zone: StoreDocument,
  day: DayNumber,
): { from: string | null; price: MinorUnits | null }[] {
  const later = [...new Set(priceChangeDays(item, zone))]
    .filter((other) => other > day)
    .sort((a, b) => a - b);
  const steps: { from: string | null; price: MinorUnits | null }[] = [];
  for (const on of [day, ...later]) {
    const price = regularPrice(item, zone, on)?.price ?? null;
    if (steps.length === 0 || steps.at(-1)!.price !== price)
      steps.push({ from: on === day ? null : formatLocalDate(on), price });
  }
  return steps;
}
