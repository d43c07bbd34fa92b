import { parseLocalDate, weekdayOf } from '../calendar/index.ts';

export const DAYS = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
} as const;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** "Thu 3 Dec 2026, 9:00" */
export function momentWords(text: string): string {
  const [date = '', time = ''] = text.split('T');
  return `${dateWords(date)}, ${time.replace(/^0/, '')}`;
}

export function dateWords(date: string): string {
  const day = parseLocalDate(date);
  if (day === null) return date;
  const [year, month, dayOfMonth] = date.split('-').map(Number) as [number, number, number];
  return `${DAYS[weekdayOf(day)]} ${dayOfMonth} ${MONTHS[month - 1]} ${year}`;
}
