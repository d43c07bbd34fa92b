import { startsBetween } from './recurrence.ts';
import { endOfSpan, longestSpan, type Repeat } from './repeat.ts';
import { common, FOREVER, intersection, type Span, union, without } from './span.ts';
import {
  DAY,
  type DayNumber,
  dayNumber,
  dayOf,
  MINUTE,
  midnight,
  type WallTime,
  wallTime,
  weekdayOf,
} from './wall-time.ts';
import type { DayWindow } from './window.ts';
import type { ZoneClock } from './zone-clock.ts';

/** When a promotion counts, in wall time at the store (pricing rules 2). */
export interface Schedule {
  readonly from: WallTime;
  /** Null: open end. */
  readonly to: WallTime | null;
  /** Empty: the whole span. */
  readonly windows: readonly DayWindow[];
  readonly repeat: Repeat | null;
  readonly except: ReadonlySet<DayNumber>;
}

/**
 * The spans of a schedule within `asked`, at a store with this clock.
 * @returns sorted, disjoint, never touching, each within `asked`.
 */
export function spansWithin(schedule: Schedule, clock: ZoneClock, asked: Span): Span[] {
  const bounds = common(boundsOf(schedule, clock), asked);
  if (!bounds) return [];
  let spans: Span[] = [bounds];
  if (schedule.repeat) spans = intersection(repeatedSpans(schedule, schedule.repeat, clock, bounds), spans);
  if (schedule.windows.length > 0) spans = intersection(windowSpans(schedule, clock, bounds), spans);
  if (!schedule.repeat && schedule.windows.length === 0) spans = wholeDaysLeftOut(schedule, clock, spans);
  return union(spans);
}

/** Whether all of the time between its limits counts. */
export const isUnbroken = ({ repeat, windows, except }: Schedule): boolean =>
  !repeat && windows.length === 0 && except.size === 0;

/** The outer limits of a schedule: from its start to its end, or for ever. */
export function boundsOf(schedule: Schedule, clock: ZoneClock): Span {
  return {
    from: clock.toInstant(schedule.from),
    to: schedule.to === null ? FOREVER : clock.toInstant(schedule.to),
  };
}

function repeatedSpans(schedule: Schedule, repeat: Repeat, clock: ZoneClock, within: Span): Span[] {
  const first = wallTime(clock.toWall(within.from) - longestSpan(repeat.length) - DAY);
  const last = wallTime(clock.toWall(boundedEnd(within, schedule)) + DAY);
  const starts = startsBetween(repeat.rule, first, last).filter(
    (start) => !schedule.except.has(dayOf(start)),
  );
  return union(
    starts.map((start) => {
      const from = clock.toInstant(start);
      return { from, to: endOfSpan(from, repeat.length, clock) };
    }),
  );
}

function windowSpans(schedule: Schedule, clock: ZoneClock, within: Span): Span[] {
  // A day left out takes windows away only where there is no series: there it takes starts of spans.
  const leftOut = schedule.repeat ? new Set<DayNumber>() : schedule.except;
  const firstDay = dayOf(clock.toWall(within.from)) - 2;
  const lastDay = dayOf(clock.toWall(boundedEnd(within, schedule))) + 1;
  const spans: Span[] = [];
  for (let day = dayNumber(firstDay); day <= lastDay; day = dayNumber(day + 1)) {
    if (leftOut.has(day)) continue;
    for (const window of schedule.windows) {
      if (window.days && !window.days.includes(weekdayOf(day))) continue;
      const endDay = window.to > window.from ? day : day + 1;
      spans.push({
        from: clock.toInstant(wallTime(midnight(day) + window.from * MINUTE)),
        to: clock.toInstant(wallTime(endDay * DAY + window.to * MINUTE)),
      });
    }
  }
  return union(spans);
}

function wholeDaysLeftOut(schedule: Schedule, clock: ZoneClock, spans: Span[]): Span[] {
  let left = spans;
  for (const day of schedule.except) {
    left = without(left, {
      from: clock.toInstant(midnight(day)),
      to: clock.toInstant(midnight(dayNumber(day + 1))),
    });
  }
  return left;
}

function boundedEnd(within: Span, schedule: Schedule): Span['to'] {
  if (within.to !== FOREVER) return within.to;
  throw new RangeError(`an open schedule from ${schedule.from} must be asked within a bounded span`);
}
