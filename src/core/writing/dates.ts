import { parseLocalDate, weekdayOf } from '../calendar/index.ts';
import type { Writing, WritingField, WritingPattern } from './writing.ts';

/** "Thu 3 Dec 2026" of "2026-12-03"; a text that is no date stands as it is. */
export const dateWords = (date: string, writing: Writing): string => filled(date, '', writing.date, writing);

/** "Thu 3 Dec": for a date whose year is plain. */
export const nearDateWords = (date: string, writing: Writing): string =>
  filled(date, '', writing.nearDate, { ...writing, months: writing.nearMonths });

/** "3 Dec" */
export const monthDayWords = (date: string, writing: Writing): string =>
  filled(date, '', writing.monthDay, { ...writing, months: writing.nearMonths });

/** "Thu 3 Dec 2026, 9:00" of "2026-12-03T09:00". */
export function momentWords(text: string, writing: Writing): string {
  const [date = '', time = ''] = text.split('T');
  return filled(date, time, writing.moment, writing);
}

/** "Thu 3 Dec, 9:00" */
export function nearMomentWords(text: string, writing: Writing): string {
  const [date = '', time = ''] = text.split('T');
  return filled(date, time, writing.nearMoment, { ...writing, months: writing.nearMonths });
}

/** "9:00" of "09:00". The end of a day has no other name than "24:00". */
export const clockWords = (time: string, writing: Writing): string =>
  time.startsWith('24') ? time : fill(writing.clock, clockFields(time, writing));

function filled(date: string, time: string, pattern: WritingPattern, writing: Writing): string {
  const day = parseLocalDate(date);
  if (day === null) return time === '' ? date : `${date}T${time}`;
  const [year = '', month, dayOfMonth] = date.split('-');
  const number = Number(dayOfMonth);
  return fill(pattern, {
    ...clockFields(time, writing),
    weekday: writing.weekdays[weekdayOf(day)],
    day: String(number).padStart(writing.twoDigitDays ? 2 : 1, '0'),
    month: writing.months[Number(month) - 1],
    year,
  });
}

type Fields = Partial<Record<WritingField, string>>;

function clockFields(time: string, writing: Writing): Fields {
  const [hour = '', minute = ''] = time.split(':');
  return { hour: writing.hours[Number(hour)] ?? hour, minute, half: writing.halves[Number(hour)] ?? '' };
}

const fill = (pattern: WritingPattern, fields: Fields): string =>
  pattern.map((part) => (typeof part === 'string' ? part : (fields[part.field] ?? ''))).join('');
