import { parseLocalDate, weekdayOf } from '../../core/calendar/index.ts';
import * as written from '../../core/writing/index.ts';
import { writing } from './reader.ts';

const sameYear = (one: string, other: string): boolean => one.slice(0, 4) === other.slice(0, 4);

/** "Thu 26 Nov 2026" of "2026-11-26", as the reader writes dates. */
export const dateWords = (date: string): string => written.dateWords(date, writing());

/** "Thu 26 Nov" of "2026-11-26", without the year where it is that of `near`. */
export function shortDate(date: string, near: string): string {
  const words = sameYear(date, near) ? written.nearDateWords : written.dateWords;
  return words(date.slice(0, 10), writing());
}

/** "26 Nov" of "2026-11-26" */
export const monthDay = (date: string): string => written.monthDayWords(date, writing());

/** "Nov" of "2026-11-26" */
export const monthName = (date: string): string => writing().monthNames[Number(date.slice(5, 7)) - 1] ?? '';

/** "Thu" of "2026-11-26" */
export function weekdayName(date: string): string {
  const day = parseLocalDate(date);
  return day === null ? '' : writing().weekdays[weekdayOf(day)];
}

/** "Thu 26 Nov, 9:00" */
export function shortMoment(text: string, near: string): string {
  const words = sameYear(text, near) ? written.nearMomentWords : written.momentWords;
  const offset = text.slice(16);
  return words(text.slice(0, 16), writing()) + (offset ? ` (UTC${offset})` : '');
}

/** "9:00" of "09:00" */
export const saidClock = (time: string): string => written.clockWords(time, writing());

/** "Europe/Lisbon" is "Lisbon time". */
export const zoneWords = (timeZone: string): string =>
  `${(timeZone.split('/').at(-1) ?? timeZone).replaceAll('_', ' ')} time`;

/**
 * An instant, ISO 8601, as a clock in a time zone shows it: "2026-11-26T09:00". A page shows one clock alone, that of the
 * store that is looked at, which stands in the lens; whatever the machine that makes the page, or shows it, goes by.
 */
export const timeIn = (timeZone: string, at: string): string =>
  clockOf(timeZone).format(Date.parse(at)).replace(' ', 'T');

/** The platform knows the zones; the core's clock, which knows too when they change, weighs much for showing a time. */
const clocks = new Map<string, Intl.DateTimeFormat>();
function clockOf(timeZone: string): Intl.DateTimeFormat {
  const known = clocks.get(timeZone);
  if (known) return known;
  // Sweden writes "2026-11-26 09:00".
  const clock = new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'short' });
  clocks.set(timeZone, clock);
  return clock;
}
