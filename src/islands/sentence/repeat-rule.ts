import { WEEKDAYS, type Weekday } from '../../core/calendar/index.ts';

/** A repeat as the panel lets one choose it; anything further stays an RRULE of RFC 5545 in its own words. */
export type RepeatChoice =
  | { readonly every: 'day'; readonly interval: number }
  | { readonly every: 'week'; readonly interval: number; readonly days: readonly Weekday[] }
  | { readonly every: 'month'; readonly interval: number; readonly on: MonthDay };

export type MonthDay =
  | { readonly kind: 'date'; readonly day: number }
  /** 1 is the first, -1 the last one of its kind in the month. */
  | { readonly kind: 'weekday'; readonly nth: number; readonly day: Weekday };

const codeOf = (day: Weekday): string => day.slice(0, 2).toUpperCase();
const dayOf = (code: string): Weekday | undefined => WEEKDAYS.find((day) => codeOf(day) === code);

/** Takes an RRULE apart; null where it says more than the panel does. */
export function readRepeat(rrule: string): RepeatChoice | null {
  const parts = new Map(
    rrule
      .replace(/^RRULE:/, '')
      .split(';')
      .map((part) => part.split('=') as [string, string]),
  );
  const interval = Number(parts.get('INTERVAL') ?? 1);
  const freq = parts.get('FREQ');
  const only = (...names: string[]) =>
    [...parts.keys()].every((name) => ['FREQ', 'INTERVAL', ...names].includes(name));
  if (freq === 'DAILY' && only()) return { every: 'day', interval };
  if (freq === 'WEEKLY' && only('BYDAY')) {
    const days = (parts.get('BYDAY') ?? '').split(',').filter(Boolean).map(dayOf);
    return days.every((day) => day !== undefined)
      ? { every: 'week', interval, days: days as Weekday[] }
      : null;
  }
  if (freq !== 'MONTHLY') return null;
  if (only('BYMONTHDAY') && /^\d{1,2}$/.test(parts.get('BYMONTHDAY') ?? ''))
    return { every: 'month', interval, on: { kind: 'date', day: Number(parts.get('BYMONTHDAY')) } };
  const weekday = /^(-?[1-5])(MO|TU|WE|TH|FR|SA|SU)$/.exec(parts.get('BYDAY') ?? '');
  if (!only('BYDAY') || !weekday) return null;
  return {
    every: 'month',
    interval,
    on: { kind: 'weekday', nth: Number(weekday[1]), day: dayOf(weekday[2]!)! },
  };
}

/** The RRULE of a choice. */
export function repeatRule(choice: RepeatChoice): string {
  const interval = choice.interval > 1 ? `;INTERVAL=${choice.interval}` : '';
  switch (choice.every) {
    case 'day':
      return `FREQ=DAILY${interval}`;
    case 'week':
      return `FREQ=WEEKLY${interval}${choice.days.length > 0 ? `;BYDAY=${choice.days.map(codeOf).join(',')}` : ''}`;
    case 'month':
      return choice.on.kind === 'date'
        ? `FREQ=MONTHLY${interval};BYMONTHDAY=${choice.on.day}`
        : `FREQ=MONTHLY${interval};BYDAY=${choice.on.nth}${codeOf(choice.on.day)}`;
  }
}

export const UNITS = { hours: 'PT_H', days: 'P_D', weeks: 'P_W' } as const;
export type Unit = keyof typeof UNITS;

/** "P2D" is 2 days; null where it is mixed. */
export function readLength(duration: string): { count: number; unit: Unit } | null {
  const match = /^P(?:(\d+)([DW])|T(\d+)H)$/.exec(duration);
  if (!match) return null;
  if (match[3]) return { count: Number(match[3]), unit: 'hours' };
  return { count: Number(match[1]), unit: match[2] === 'W' ? 'weeks' : 'days' };
}

export const lengthOf = (count: number, unit: Unit): string => UNITS[unit].replace('_', String(count));
