import {
  type DayNumber,
  dayNumber,
  formatLocalDate,
  parseLocalDate,
  WEEKDAYS,
  weekdayOf,
} from './wall-time.ts';

/** The first day of the week (ISO 8601: a Monday) or the month in which a day lies; of a day that day itself. */
export function firstDayOf(span: 'day' | 'week' | 'month', day: DayNumber): DayNumber {
  if (span === 'day') return day;
  if (span === 'week') return dayNumber(day - WEEKDAYS.indexOf(weekdayOf(day)));
  return parseLocalDate(`${formatLocalDate(day).slice(0, 7)}-01`)!;
}
