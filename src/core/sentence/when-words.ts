import { parseLocalDate, weekdayOf } from '../calendar/index.ts';
import type { WhenDocument } from '../plan/index.ts';

const DAYS = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' } as const;
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

/** From when until when, with hours, repeats and days left out. */
export function whenWords(when: WhenDocument): string {
  const parts = [
    `from ${momentWords(when.from)}`,
    when.to === undefined ? 'with no end' : `to ${momentWords(when.to)}`,
  ];
  if (when.repeat) parts.push(`each time by ${when.repeat.rrule} for ${when.repeat.duration}`);
  for (const window of when.windows ?? []) {
    const days = window.days ? `${window.days.map((day) => DAYS[day]).join(', ')} ` : '';
    parts.push(`${days}${window.from}–${window.to}`);
  }
  if (when.except?.length) parts.push(`but not on ${when.except.map(dateWords).join(', ')}`);
  return parts.join(' ');
}
