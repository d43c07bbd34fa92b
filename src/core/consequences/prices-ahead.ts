import {
  DAY,
  type DayNumber,
  dayNumber,
  dayOf,
  type Instant,
  midnight,
  wallTime,
} from '../calendar/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import { type CompiledPlan, rowPainter } from '../price-book/index.ts';
import { GUEST } from '../tag-price/index.ts';

/** Days that are looked at, and the hour: when what has windows mostly counts. */
const DAYS = 28;
const HOUR_OF_DAY = DAY / 2;
/** Stores times days that are priced; of more stores only every so-manieth is. */
const MOST_ROWS = 3_000;

/** A price that two plans do not agree on, on one day in one store. */
export interface OtherPrice {
  readonly store: StoreDocument;
  readonly day: DayNumber;
  /** Number of the item in the catalogue. */
  readonly item: number;
  /** Minor units, or `NO_PRICE` where it is not sold. */
  readonly was: number;
  readonly will: number;
}

/**
 * Visits the prices of the next 28 days, each at noon, on which two plans of the same stores and goods do not agree: day
 * by day, so that what promotions come to at one moment is worked out once for all stores of a time zone.
 */
export function pricesAhead(
  before: CompiledPlan,
  after: CompiledPlan,
  now: Instant,
  visit: (other: OtherPrice) => void,
): void {
  const all = before.plan.stores;
  const step = Math.max(1, Math.ceil((all.length * DAYS) / MOST_ROWS));
  const looked = all.filter((_, i) => i % step === 0);
  for (const zone of new Set(looked.map(({ timeZone }) => timeZone))) {
    const stores = looked.filter(({ timeZone }) => timeZone === zone);
    const clock = before.clockOf(stores[0]!);
    const today = dayOf(clock.toWall(now));
    for (let ahead = 0; ahead < DAYS; ahead++) {
      const day = dayNumber(today + ahead);
      const at = clock.toInstant(wallTime(midnight(day) + HOUR_OF_DAY));
      const [was, will] = [before, after].map((plan) =>
        rowPainter(plan, { at, shopper: GUEST, through: {} }),
      );
      for (const store of stores) {
        const [old, next] = [was!.row(store.id)!.prices, will!.row(store.id)!.prices];
        const { indexAt } = before.grounds.order;
        for (let position = 0; position < indexAt.length; position++)
          if (old[position] !== next[position])
            visit({ store, day, item: indexAt[position]!, was: old[position]!, will: next[position]! });
      }
    }
  }
}
