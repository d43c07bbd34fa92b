import { dayNumber, dayOf, type Instant, MINUTE, midnight, type WallTime } from './wall-time.ts';
import type { ZoneClock } from './zone-clock.ts';

/** An hour that a day skips comes when the clock jumps over it; one that happens twice comes the first time. */
const onDay = (minutes: number, day: number, clock: ZoneClock): Instant =>
  clock.toInstant((midnight(dayNumber(day)) + minutes * MINUTE) as WallTime);

/**
 * The last moment, no later than another, at which a clock showed an hour of the day.
 * @param minutes after midnight.
 */
export function lastAt(minutes: number, clock: ZoneClock, now: Instant): Instant {
  let day = dayOf(clock.toWall(now)) + 1;
  while (onDay(minutes, day, clock) > now) day--;
  return onDay(minutes, day, clock);
}

/** The first moment after another at which a clock shows an hour of the day. */
export function nextAt(minutes: number, clock: ZoneClock, now: Instant): Instant {
  let day = dayOf(clock.toWall(now)) - 1;
  while (onDay(minutes, day, clock) <= now) day++;
  return onDay(minutes, day, clock);
}
