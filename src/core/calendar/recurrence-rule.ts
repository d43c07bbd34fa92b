import { parseWallTime, type WallTime, WEEKDAYS } from './wall-time.ts';

/** The frequencies that a promotion may repeat at (RFC 5545, 3.3.10); finer ones no shop keeps. */
const FREQUENCIES = ['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY'] as const;
export type Frequency = (typeof FREQUENCIES)[number];

/** A weekday; `nth` of its month or year, counted from the end below zero. Null: each one. */
export interface RuleDay {
  readonly nth: number | null;
  /** 0 is Monday. */
  readonly day: number;
}

/** The parts of an RRULE, each within what RFC 5545 allows. An absent list is null. */
export interface RuleParts {
  readonly frequency: Frequency;
  readonly interval: number;
  readonly count: number | null;
  readonly until: WallTime | null;
  /** 0 is Monday. */
  readonly weekStart: number;
  readonly months: readonly number[] | null;
  readonly weekNumbers: readonly number[] | null;
  readonly yearDays: readonly number[] | null;
  readonly monthDays: readonly number[] | null;
  readonly days: readonly RuleDay[] | null;
  readonly hours: readonly number[] | null;
  readonly minutes: readonly number[] | null;
  readonly positions: readonly number[] | null;
}

export type RepeatFault = { readonly what: string; readonly wanted: string };
const fault = (what: string, wanted: string): RepeatFault => ({ what, wanted });

export const isRepeatFault = (value: object): value is RepeatFault => 'wanted' in value;

/** The numbers that stand in a list, and whether they may count from the end. */
const LISTS = {
  BYMONTH: { least: 1, most: 12, fromEnd: false },
  BYWEEKNO: { least: 1, most: 53, fromEnd: true },
  BYYEARDAY: { least: 1, most: 366, fromEnd: true },
  BYMONTHDAY: { least: 1, most: 31, fromEnd: true },
  BYHOUR: { least: 0, most: 23, fromEnd: false },
  BYMINUTE: { least: 0, most: 59, fromEnd: false },
  BYSETPOS: { least: 1, most: 366, fromEnd: true },
} as const;
type ListName = keyof typeof LISTS;

const NAMES = ['FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'WKST', 'BYDAY', ...Object.keys(LISTS)];
const DAY_CODES = WEEKDAYS.map((day) => day.slice(0, 2).toUpperCase());

/** Which parts RFC 5545 has no meaning for at a frequency. */
const MEANINGLESS: readonly { readonly part: string; readonly at: readonly Frequency[] }[] = [
  { part: 'BYWEEKNO', at: ['MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY'] },
  { part: 'BYYEARDAY', at: ['MONTHLY', 'WEEKLY', 'DAILY'] },
  { part: 'BYMONTHDAY', at: ['WEEKLY'] },
];

/** Far more than any shop counts, and few enough to be counted out. */
const MOST_COUNTED = 10_000;
const MOST_BETWEEN = 1_000;
/** A start every quarter of an hour. */
const MOST_STARTS_A_DAY = 96;

/**
 * Reads the text of an RRULE part by part.
 * @returns the parts, or the first fault: unknown or doubled parts, numbers out of range, parts that do not go
 *   together. Whether the rule ever comes true is not asked here.
 */
export function readRuleParts(text: string): RuleParts | RepeatFault {
  const values = new Map<string, string>();
  for (const part of text
    .toUpperCase()
    .replace(/^RRULE:/, '')
    .split(';')) {
    const at = part.indexOf('=');
    const name = at < 0 ? part : part.slice(0, at);
    if (!NAMES.includes(name)) return fault(`"${name}" is not a part of a rule here`, NAMES.join(', '));
    if (values.has(name)) return fault(`${name} stands twice`, 'each part once');
    values.set(name, at < 0 ? '' : part.slice(at + 1));
  }
  const frequency = FREQUENCIES.find((name) => name === values.get('FREQ'));
  if (!frequency)
    return fault(`FREQ ${values.get('FREQ') ?? 'is missing'}`, 'YEARLY, MONTHLY, WEEKLY, DAILY or HOURLY');
  try {
    const parts = partsOf(frequency, values);
    return togetherFault(parts, values) ?? parts;
  } catch (thrown) {
    if (thrown instanceof PartFault) return thrown.fault;
    throw thrown;
  }
}

/** A fault within one part, on its way out of the reading of all of them. */
class PartFault extends Error {
  constructor(readonly fault: RepeatFault) {
    super(fault.what);
  }
}
const refuse = (what: string, wanted: string): never => {
  throw new PartFault(fault(what, wanted));
};

function partsOf(frequency: Frequency, values: ReadonlyMap<string, string>): RuleParts {
  const list = (name: ListName) => (values.has(name) ? readList(name, values.get(name)!) : null);
  const number = (name: string, most: number) =>
    values.has(name) ? readNumber(name, values.get(name)!, 1, most) : null;
  const weekStart = values.get('WKST') ?? 'MO';
  if (!DAY_CODES.includes(weekStart)) refuse(`WKST ${weekStart} is no weekday`, DAY_CODES.join(', '));
  return {
    frequency,
    interval: number('INTERVAL', MOST_BETWEEN) ?? 1,
    count: number('COUNT', MOST_COUNTED),
    until: values.has('UNTIL') ? readUntil(values.get('UNTIL')!) : null,
    weekStart: DAY_CODES.indexOf(weekStart),
    months: list('BYMONTH'),
    weekNumbers: list('BYWEEKNO'),
    yearDays: list('BYYEARDAY'),
    monthDays: list('BYMONTHDAY'),
    days: values.has('BYDAY') ? values.get('BYDAY')!.split(',').map(readDay) : null,
    hours: list('BYHOUR'),
    minutes: list('BYMINUTE'),
    positions: list('BYSETPOS'),
  };
}

function readNumber(name: string, text: string, least: number, most: number): number {
  const value = /^\d{1,5}$/.test(text) ? Number(text) : Number.NaN;
  return value >= least && value <= most
    ? value
    : refuse(`${name}=${text}`, `${name}: a whole number from ${least} to ${most}`);
}

function readList(name: ListName, text: string): number[] {
  const { least, most, fromEnd } = LISTS[name];
  const numbers = text.split(',').map((one) => {
    const [, sign, digits = ''] = /^([+-]?)(\d{1,3})$/.exec(one) ?? [];
    const value = digits === '' || (sign !== '' && !fromEnd) ? Number.NaN : Number(digits);
    if (!(value >= least && value <= most))
      refuse(
        `${name}=${one}`,
        `${name}: whole numbers from ${least} to ${most}${fromEnd ? ', or below zero from the end' : ''}`,
      );
    return sign === '-' ? -value : value;
  });
  return [...new Set(numbers)].sort((a, b) => a - b);
}

function readDay(text: string): RuleDay {
  const [, nth, code = ''] = /^([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)$/.exec(text) ?? [];
  const number = nth === undefined ? null : Number(nth);
  if (code === '' || (number !== null && (number === 0 || Math.abs(number) > 53)))
    refuse(`BYDAY=${text}`, 'weekdays such as SA, 1SA for the first or -1SA for the last');
  return { nth: number, day: DAY_CODES.indexOf(code) };
}

/** Wall time, whatever mark it bears; a bare date means to the end of that day. */
function readUntil(text: string): WallTime {
  const [, year, month, day, , hour = '23', minute = '59', second = '59'] =
    /^(\d{4})(\d\d)(\d\d)(T(\d\d)(\d\d)(\d\d)Z?)?$/.exec(text) ?? [];
  const until = parseWallTime(`${year}-${month}-${day}T${hour}:${minute}:${second}`);
  return until ?? refuse(`UNTIL=${text}`, 'UNTIL: a date or a wall time such as 20270331T180000');
}

/** Parts that are right alone and wrong together. */
function togetherFault(parts: RuleParts, values: ReadonlyMap<string, string>): RepeatFault | null {
  const { frequency, days } = parts;
  if (values.has('COUNT') && values.has('UNTIL'))
    return fault('COUNT and UNTIL stand together', 'one of the two');
  const idle = MEANINGLESS.find(({ part, at }) => values.has(part) && at.includes(frequency));
  if (idle) return fault(`${idle.part} with FREQ=${frequency}`, `no ${idle.part}, or another FREQ`);
  const numbered = days?.some(({ nth }) => nth !== null) ?? false;
  if (numbered && (!['MONTHLY', 'YEARLY'].includes(frequency) || parts.weekNumbers))
    return fault(
      'BYDAY counts weekdays where there is no month or year to count them in',
      'BYDAY without numbers, or FREQ=MONTHLY or YEARLY without BYWEEKNO',
    );
  if (parts.positions && ![...values.keys()].some((name) => name.startsWith('BY') && name !== 'BYSETPOS'))
    return fault('BYSETPOS stands alone', 'another BY… part whose days or hours it picks from');
  return startsADay(parts) > MOST_STARTS_A_DAY
    ? fault(
        `it starts ${startsADay(parts)} times a day`,
        `at most ${MOST_STARTS_A_DAY} starts a day; hours of the day are said as windows`,
      )
    : null;
}

function startsADay({ frequency, interval, hours, minutes }: RuleParts): number {
  const each = minutes?.length ?? 1;
  if (frequency !== 'HOURLY') return (hours?.length ?? 1) * each;
  return (hours?.length ?? Math.ceil(24 / interval)) * each;
}
