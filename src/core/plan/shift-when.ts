import { DAY, dayNumber, formatLocalDate, parseLocalDate, parseWallTime } from '../calendar/index.ts';
import type { LocalDateText, LocalDateTimeText, PromotionDocument, WhenDocument } from './document.ts';

/** The same hours some days later or, below zero, earlier. The weekdays of windows and repeats stay what they are. */
export function shiftWhen(when: WhenDocument, days: number): WhenDocument {
  return {
    ...when,
    from: shiftMoment(when.from, days),
    ...(when.to === undefined ? {} : { to: shiftMoment(when.to, days) }),
    ...(when.except ? { except: when.except.map((date) => shiftDate(date, days)) } : {}),
    ...(when.repeat ? { repeat: { ...when.repeat, rrule: shiftUntil(when.repeat.rrule, days) } } : {}),
  };
}

export const shiftDate = (date: LocalDateText, days: number): LocalDateText =>
  formatLocalDate(dayNumber(parseLocalDate(date)! + days));

const shiftMoment = (moment: LocalDateTimeText, days: number): LocalDateTimeText =>
  shiftDate(moment.slice(0, 10), days) + moment.slice(10);

function shiftUntil(rrule: string, days: number): string {
  return rrule.replace(/UNTIL=(\d{4})(\d{2})(\d{2})/i, (_, year, month, day) => {
    const date = shiftDate(`${year}-${month}-${day}`, days);
    return `UNTIL=${date.replaceAll('-', '')}`;
  });
}

/** Whole weeks after which the promotion would start after a moment; at least one. The weekday stays. */
export function weeksUntilAfter({ from }: WhenDocument, moment: LocalDateTimeText): number {
  const behind = parseWallTime(moment.slice(0, 16))! - parseWallTime(from)!;
  return Math.max(1, Math.floor(behind / (7 * DAY)) + 1);
}

/** A copy to begin with: a draft of its own, some days later. */
export function copyOf(promotion: PromotionDocument, id: string, days: number): PromotionDocument {
  return { ...promotion, id, status: 'draft', when: shiftWhen(promotion.when, days) };
}
