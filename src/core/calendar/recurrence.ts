import { isRepeatFault, type RepeatFault, type RuleParts, readRuleParts } from './recurrence-rule.ts';
import {
  DAY,
  type DayNumber,
  dayNumber,
  dayOf,
  HOUR,
  LAST_YEAR,
  MINUTE,
  type WallTime,
  wallTime,
} from './wall-time.ts';

/**
 * A rule with its first moment (DTSTART), in wall time: an RRULE of RFC 5545. Every question is about a bounded
 * stretch, is answered by looking at the days of that stretch alone, and so ends, whatever the rule says.
 */
export interface Recurrence {
  /** With hours and minutes filled in from DTSTART where the rule leaves them open. */
  readonly parts: RuleParts;
  readonly from: WallTime;
  /** No start is later; null: no end. A COUNT has been counted out. */
  readonly until: WallTime | null;
}

/** A rule that has not come true for so long never will, for anybody. */
const COMES_TRUE_WITHIN = 10 * 366 * DAY;
/** How much is looked at in one go where the end is not known. */
const STRETCH = 366 * DAY;
const THE_END = Date.UTC(LAST_YEAR, 11, 31, 23, 59, 59);

/** A series that never starts: what stands for a stored rule that can no longer be read. */
export const NO_RECURRENCE = (from: WallTime): Recurrence => ({
  parts: readRuleParts('FREQ=DAILY') as RuleParts,
  from,
  until: wallTime(from - 1),
});

/**
 * Reads an RRULE.
 * @param from wall time of DTSTART. UNTIL counts as wall time too.
 * @returns the series, or what is wrong: a part that RFC 5545 does not allow, or a rule that does not come true
 *   within ten years.
 */
export function parseRepeatRule(text: string, from: WallTime): Recurrence | RepeatFault {
  const read = readRuleParts(text);
  if (isRepeatFault(read)) return read;
  const series = { parts: withTimeOf(from, read), from, until: read.until };
  // An UNTIL before the start makes an empty series, which is no riddle; days that do not exist make an endless search.
  if (firstStart({ ...series, until: null }, COMES_TRUE_WITHIN) === undefined)
    return {
      what: 'the rule does not come true within ten years',
      wanted: 'days and hours that the calendar has',
    };
  return read.count === null ? series : { ...series, until: countedOut(series, read.count) };
}

/** What a rule leaves open, DTSTART says (RFC 5545, 3.3.10). */
function withTimeOf(from: WallTime, parts: RuleParts): RuleParts {
  const minutes = Math.floor((from % DAY) / MINUTE);
  const open = !(parts.weekNumbers || parts.yearDays || parts.monthDays || parts.days);
  const date = new Date(from);
  const fromStart: Partial<RuleParts> = !open
    ? {}
    : parts.frequency === 'YEARLY'
      ? { months: parts.months ?? [date.getUTCMonth() + 1], monthDays: [date.getUTCDate()] }
      : parts.frequency === 'MONTHLY'
        ? { monthDays: [date.getUTCDate()] }
        : parts.frequency === 'WEEKLY'
          ? { days: [{ nth: null, day: weekdayNumber(dayOf(from)) }] }
          : {};
  return {
    ...parts,
    ...fromStart,
    hours: parts.hours ?? (parts.frequency === 'HOURLY' ? null : [Math.floor(minutes / 60)]),
    minutes: parts.minutes ?? [minutes % 60],
  };
}

/** The first start within so many milliseconds of the beginning. */
export function firstStart(series: Recurrence, within: number): WallTime | undefined {
  for (const [start] of stretches(series, within)) if (start !== undefined) return start;
  return undefined;
}

/** The start with which a COUNT is reached; null where the calendar ends before. */
function countedOut(series: Recurrence, count: number): WallTime | null {
  let left = count;
  for (const starts of stretches(series, THE_END - series.from)) {
    if (starts.length >= left) return starts[left - 1]!;
    left -= starts.length;
  }
  return null;
}

function* stretches(series: Recurrence, within: number): Generator<WallTime[]> {
  for (let at: number = series.from; at <= series.from + within; at += STRETCH)
    yield startsBetween(series, wallTime(at), wallTime(Math.min(at + STRETCH - 1, series.from + within)));
}

/** Wall-time starts of the series from `first` to `last`, both counted; sorted. */
export function startsBetween(series: Recurrence, first: WallTime, last: WallTime): WallTime[] {
  const from = Math.max(first, series.from);
  const to = Math.min(last, series.until ?? last, THE_END);
  if (!(from <= to)) return [];
  const starts = series.parts.positions
    ? pickedStarts(series, series.parts.positions, from, to)
    : everyStart(series, dayOf(wallTime(from)), dayOf(wallTime(to)));
  return starts.filter((start) => start >= from && start <= to);
}

/** The starts of each period, of which BYSETPOS takes some. */
function pickedStarts(
  series: Recurrence,
  positions: readonly number[],
  from: number,
  to: number,
): WallTime[] {
  const picked: WallTime[] = [];
  const { first, last } = wholePeriods(series.parts, dayOf(wallTime(from)), dayOf(wallTime(to)));
  let period: WallTime[] = [];
  let held: number | null = null;
  const close = () => {
    const chosen = positions.map((position) => period.at(position > 0 ? position - 1 : position));
    const known = chosen.filter((start) => start !== undefined);
    picked.push(...[...new Set(known)].sort((a, b) => a - b));
    period = [];
  };
  for (const start of everyStart(series, first, last)) {
    const now =
      series.parts.frequency === 'HOURLY' ? Math.floor(start / HOUR) : periodOf(series.parts, dayOf(start));
    if (held !== null && now !== held) close();
    held = now;
    period.push(start);
  }
  close();
  return picked;
}

/** The days of every period that a stretch touches: years at the longest, 800 days more than were asked. */
function wholePeriods({ frequency }: RuleParts, first: DayNumber, last: DayNumber) {
  const margin = { YEARLY: 366, MONTHLY: 31, WEEKLY: 7, DAILY: 0, HOURLY: 0 }[frequency];
  return { first: dayNumber(first - margin), last: dayNumber(last + margin) };
}

/** Every start of some days by the rule without BYSETPOS, its beginning and its end. */
function everyStart({ parts, from }: Recurrence, first: DayNumber, last: DayNumber): WallTime[] {
  const begins = periodOf(parts, dayOf(from));
  const seconds = from % MINUTE;
  const starts: WallTime[] = [];
  for (let day = first; day <= last; day = dayNumber(day + 1)) {
    if ((periodOf(parts, day) - begins) % parts.interval !== 0 && parts.frequency !== 'HOURLY') continue;
    if (!hasDay(parts, day)) continue;
    for (const hour of hoursOf(parts, day, from))
      for (const minute of parts.minutes!)
        starts.push(wallTime(day * DAY + hour * HOUR + minute * MINUTE + seconds));
  }
  return starts;
}

const ALL_HOURS = Array.from({ length: 24 }, (_, hour) => hour);

function hoursOf(
  { frequency, interval, hours }: RuleParts,
  day: DayNumber,
  from: WallTime,
): readonly number[] {
  if (frequency !== 'HOURLY') return hours!;
  const elapsed = day * 24 - Math.floor(from / HOUR);
  return (hours ?? ALL_HOURS).filter((hour) => (elapsed + hour) % interval === 0);
}

/** The number of the year, month, week or day in which a day lies. */
function periodOf({ frequency, weekStart }: RuleParts, day: DayNumber): number {
  if (frequency === 'WEEKLY') return Math.floor((day + 3 - weekStart) / 7);
  if (frequency === 'DAILY' || frequency === 'HOURLY') return day;
  const date = new Date(day * DAY);
  return frequency === 'YEARLY' ? date.getUTCFullYear() : date.getUTCFullYear() * 12 + date.getUTCMonth();
}

/** Whether the BY… parts allow a day. */
function hasDay(parts: RuleParts, day: DayNumber): boolean {
  const date = new Date(day * DAY);
  const [year, month] = [date.getUTCFullYear(), date.getUTCMonth()];
  if (parts.months && !parts.months.includes(month + 1)) return false;
  if (parts.monthDays && !isAmong(parts.monthDays, date.getUTCDate(), daysOfMonth(year, month))) return false;
  if (parts.yearDays && !isAmong(parts.yearDays, day - firstOfYear(year) + 1, daysOfYear(year))) return false;
  if (parts.weekNumbers && !hasWeek(parts.weekNumbers, day, parts.weekStart)) return false;
  return !parts.days || hasWeekday(parts, day, date);
}

/** Whether a list names the `at`th of so many, from the beginning or from the end. */
const isAmong = (list: readonly number[], at: number, of: number): boolean =>
  list.includes(at) || list.includes(at - of - 1);

function hasWeekday({ days, frequency, months }: RuleParts, day: DayNumber, date: Date): boolean {
  const [year, month] = [date.getUTCFullYear(), date.getUTCMonth()];
  // A numbered weekday counts within the month, in a yearly rule without months within the year.
  const inYear = frequency === 'YEARLY' && !months;
  const at = inYear ? day - firstOfYear(year) : date.getUTCDate() - 1;
  const left = (inYear ? daysOfYear(year) : daysOfMonth(year, month)) - 1 - at;
  const weekday = weekdayNumber(day);
  return days!.some(
    ({ nth, day: wanted }) =>
      wanted === weekday &&
      (nth === null || nth === Math.floor(at / 7) + 1 || nth === -Math.floor(left / 7) - 1),
  );
}

/** Week 1 is the first with at least four days in its year (ISO 8601, with the week's start of the rule). */
function hasWeek(weeks: readonly number[], day: DayNumber, weekStart: number): boolean {
  const start = day - ((weekdayNumber(day) - weekStart + 7) % 7);
  const year = new Date((start + 3) * DAY).getUTCFullYear();
  const week = Math.floor((start - firstWeek(year, weekStart)) / 7) + 1;
  return isAmong(weeks, week, (firstWeek(year + 1, weekStart) - firstWeek(year, weekStart)) / 7);
}

/** The day on which week 1 of a year begins: the week in which 4 January lies. */
function firstWeek(year: number, weekStart: number): number {
  const fourth = dayNumber(firstOfYear(year) + 3);
  return fourth - ((weekdayNumber(fourth) - weekStart + 7) % 7);
}

const firstOfYear = (year: number): number => Date.UTC(year, 0, 1) / DAY;
const daysOfYear = (year: number): number => firstOfYear(year + 1) - firstOfYear(year);
const daysOfMonth = (year: number, month: number): number =>
  (Date.UTC(year, month + 1, 1) - Date.UTC(year, month, 1)) / DAY;
/** 0 is Monday; 1970-01-01 was a Thursday. */
const weekdayNumber = (day: DayNumber): number => (((day + 3) % 7) + 7) % 7;
