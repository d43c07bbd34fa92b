import {
  DAY,
  type DayNumber,
  dayNumber,
  dayOf,
  HOUR,
  type Instant,
  midnight,
  type Span,
  spansWithin,
  wallTime,
  type ZoneClock,
} from '../calendar/index.ts';
import type { Promotion } from '../plan/index.ts';

/** A day of a promotion in a store. */
export interface PromotedDay {
  readonly day: DayNumber;
  /** The first moment at which it counts on that day; where it does not, noon. */
  readonly at: Instant;
  /** How much of the day's sales fall into its hours, from 0 to 1. */
  readonly share: number;
}

/** Most of a day's sales fall between these hours. */
const OPENS = 8 * HOUR;
const SHUTS = 20 * HOUR;
/** Days that are looked at; what runs on goes on in the same way. */
export const MOST_DAYS = 62;

/** The days from a promotion's first to its last one, by a store's clock. */
export function daysOf({ when }: Pick<Promotion, 'when'>, clock: ZoneClock): PromotedDay[] {
  const first = dayOf(when.from);
  const last = when.to === null ? first + MOST_DAYS : dayOf(wallTime(when.to - 1));
  const days: PromotedDay[] = [];
  for (let day = first; day <= Math.min(last, first + MOST_DAYS - 1); day++) {
    const number = dayNumber(day);
    const start = midnight(number);
    const span = (from: number, to: number): Span => ({
      from: clock.toInstant(wallTime(start + from)),
      to: clock.toInstant(wallTime(start + to)),
    });
    const live = spansWithin(when, clock, span(0, DAY));
    const open = span(OPENS, SHUTS);
    const inOpen = lengthOf(live, open) / (open.to - open.from);
    days.push({
      day: number,
      at: live[0]?.from ?? clock.toInstant(wallTime(start + DAY / 2)),
      share: inOpen > 0 ? inOpen : Math.min(1, lengthOf(live, span(0, DAY)) / DAY),
    });
  }
  return days;
}

const lengthOf = (spans: readonly Span[], within: Span): number =>
  spans.reduce(
    (sum, { from, to }) => sum + Math.max(0, Math.min(to, within.to) - Math.max(from, within.from)),
    0,
  );
