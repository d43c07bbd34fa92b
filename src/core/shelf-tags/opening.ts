import {
  type DayNumber,
  type Instant,
  MINUTE,
  midnight,
  parseTimeOfDay,
  wallTime,
  weekdayOf,
} from '../calendar/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';

/** When a store opens on a day by its hours; at 00:00 where these are not known, or leave the day out. */
export function openingOf(
  compiled: Pick<CompiledPlan, 'clockOf'>,
  store: StoreDocument,
  day: DayNumber,
): Instant {
  const weekday = weekdayOf(day);
  const opens = (store.hours ?? [])
    .filter(({ days }) => !days || days.includes(weekday))
    .map(({ from }) => parseTimeOfDay(from) ?? 0);
  const first = opens.length === 0 ? 0 : Math.min(...opens);
  return compiled.clockOf(store).toInstant(wallTime(midnight(day) + first * MINUTE));
}
