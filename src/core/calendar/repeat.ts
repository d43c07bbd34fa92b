import * as rrulePackage from 'rrule';
import type { Recurrence } from './recurrence.ts';
import { DAY, HOUR, type Instant, MINUTE, wallTime } from './wall-time.ts';
import type { ZoneClock } from './zone-clock.ts';

// The package is CommonJS to Node and an ES module to bundlers.
const { RRule } = (
  'RRule' in rrulePackage
    ? rrulePackage
    : (rrulePackage as unknown as { default: typeof rrulePackage }).default
) as typeof rrulePackage;

/** Parts that the package's words pass over in silence, whatever it says of itself. */
const WORDLESS = /BYSETPOS|BYWEEKNO|BYYEARDAY|BYHOUR|BYMINUTE/i;

/** "every month on the 1st Saturday" of "FREQ=MONTHLY;BYDAY=1SA" (RFC 5545). What has no plain words stands as the rule. */
export function describeRule(text: string): string {
  try {
    const rule = RRule.fromString(text);
    return rule.isFullyConvertibleToText() && !WORDLESS.test(text) ? rule.toText() : `by the rule ${text}`;
  } catch {
    return `by the rule ${text}`;
  }
}

/** ISO 8601 duration of weeks, days, hours and minutes. */
export interface SpanLength {
  /** By the wall clock. */
  readonly days: number;
  /** Elapsed, in milliseconds. */
  readonly elapsed: number;
}

/** Recurring starts, in wall time: an RRULE of RFC 5545 with the promotion's `from` as its DTSTART. */
export interface Repeat {
  readonly rule: Recurrence;
  readonly length: SpanLength;
}

const DURATION = /^P(?:(\d{1,4})W)?(?:(\d{1,4})D)?(?:T(?:(\d{1,5})H)?(?:(\d{1,6})M)?)?$/;

/** What goes on for longer than a year does not repeat. */
const LONGEST = 366 * DAY;

/** Reads "P2D", "P1W", "PT6H", "P1DT30M"; null where it is none of these, has no length or more than 366 days. */
export function parseSpanLength(text: string): SpanLength | null {
  const match = DURATION.exec(text);
  if (!match || text.endsWith('T')) return null;
  const [weeks, days, hours, minutes] = match.slice(1).map((part) => Number(part ?? 0)) as [
    number,
    number,
    number,
    number,
  ];
  const length = { days: weeks * 7 + days, elapsed: hours * HOUR + minutes * MINUTE };
  const whole = length.days * DAY + length.elapsed;
  return whole > 0 && whole <= LONGEST ? length : null;
}

/** The end of a span that starts at `start`: days by the wall clock first, then the elapsed part. */
export function endOfSpan(start: Instant, length: SpanLength, clock: ZoneClock): Instant {
  const day = length.days === 0 ? start : clock.toInstant(wallTime(clock.toWall(start) + length.days * DAY));
  return (day + length.elapsed) as Instant;
}

/** No span is longer than this, clock changes included. */
export const longestSpan = (length: SpanLength): number => length.days * DAY + length.elapsed + DAY;
