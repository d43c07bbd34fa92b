import type { RRule as RecurrenceRule } from 'rrule';
import * as rrulePackage from 'rrule';
import { DAY, HOUR, type Instant, MINUTE, type WallTime, wallTime } from './wall-time.ts';
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
  readonly rule: RecurrenceRule;
  readonly length: SpanLength;
}

const DURATION = /^P(?:(\d{1,4})W)?(?:(\d{1,4})D)?(?:T(?:(\d{1,5})H)?(?:(\d{1,6})M)?)?$/;

/** Reads "P2D", "P1W", "PT6H", "P1DT30M"; null where it is none of these or has no length. */
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
  return length.days + length.elapsed > 0 ? length : null;
}

const KNOWN_PARTS = new Set([
  'FREQ',
  'INTERVAL',
  'COUNT',
  'UNTIL',
  'WKST',
  'BYDAY',
  'BYMONTHDAY',
  'BYMONTH',
  'BYYEARDAY',
  'BYWEEKNO',
  'BYSETPOS',
  'BYHOUR',
  'BYMINUTE',
]);
export type RepeatFault = { readonly what: string; readonly wanted: string };

/**
 * Reads an RRULE.
 * @param from wall time of DTSTART. UNTIL counts as wall time too, whatever mark it bears; a bare date means to
 *   the end of that day.
 */
export function parseRepeatRule(text: string, from: WallTime): RecurrenceRule | RepeatFault {
  const parts = text
    .replace(/^RRULE:/, '')
    .split(';')
    .filter(Boolean)
    .map((part) => part.split('='));
  const names = parts.map(([name]) => (name ?? '').toUpperCase());
  const unknown = names.find((name) => !KNOWN_PARTS.has(name));
  if (unknown !== undefined) {
    return { what: `"${unknown}" is not a part of a rule here`, wanted: [...KNOWN_PARTS].join(', ') };
  }
  const frequency = parts.find(([name]) => name?.toUpperCase() === 'FREQ')?.[1]?.toUpperCase();
  if (!['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY'].includes(frequency ?? '')) {
    return { what: `FREQ ${frequency ?? 'is missing'}`, wanted: 'YEARLY, MONTHLY, WEEKLY, DAILY or HOURLY' };
  }
  if (names.includes('COUNT') && names.includes('UNTIL')) {
    return { what: 'COUNT and UNTIL stand together', wanted: 'one of the two' };
  }
  try {
    const rule = parts.map(
      ([name, value]) =>
        `${name!.toUpperCase()}=${name!.toUpperCase() === 'UNTIL' ? localUntil(value ?? '') : value}`,
    );
    return new RRule({ ...RRule.parseString(rule.join(';')), dtstart: new Date(from) });
  } catch (error) {
    return {
      what: `it cannot be read (${(error as Error).message})`,
      wanted: 'a rule such as FREQ=WEEKLY;BYDAY=SA',
    };
  }
}

function localUntil(text: string): string {
  const match = /^(\d{8})(?:T(\d{6}))?Z?$/.exec(text);
  if (!match) throw new Error(`UNTIL ${text} is not like 20270331T180000`);
  return `${match[1]}T${match[2] ?? '235959'}Z`;
}

export const isRepeatFault = (value: RecurrenceRule | RepeatFault): value is RepeatFault => 'wanted' in value;

/** Wall-time starts of the series from `first` to `last`, both counted. */
export function startsBetween(repeat: Repeat, first: WallTime, last: WallTime): WallTime[] {
  return repeat.rule.between(new Date(first), new Date(last), true).map((date) => wallTime(date.getTime()));
}

/** The end of a span that starts at `start`: days by the wall clock first, then the elapsed part. */
export function endOfSpan(start: Instant, length: SpanLength, clock: ZoneClock): Instant {
  const day = length.days === 0 ? start : clock.toInstant(wallTime(clock.toWall(start) + length.days * DAY));
  return (day + length.elapsed) as Instant;
}

/** No span is longer than this, clock changes included. */
export const longestSpan = (length: SpanLength): number => length.days * DAY + length.elapsed + DAY;
