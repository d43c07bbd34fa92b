import { describeRule, WEEKDAYS, type Weekday } from '../calendar/index.ts';
import type { WhenDocument, WindowDocument } from '../plan/index.ts';
import { clockWords, dateWords, type Writing } from '../writing/index.ts';
import { datesWords } from './dates-words.ts';
import { durationWords } from './duration-words.ts';

/** From when until when, with hours, repeats and days left out. */
export function whenWords(when: WhenDocument, writing: Writing): string {
  const parts = [datesWords(when, writing)];
  if (when.repeat)
    parts.push(`${describeRule(when.repeat.rrule)}, each time for ${durationWords(when.repeat.duration)}`);
  const hours = (when.windows ?? []).map((window) => windowWords(window, writing));
  if (hours.length > 0) parts.push(`only ${hours.join(' and ')}`);
  if (when.except?.length)
    parts.push(`but not on ${when.except.map((day) => dateWords(day, writing)).join(' and ')}`);
  return parts.join(', ');
}

/** "Thu, Fri 18:00–20:00", "every day 16:00–18:00", "on Fri, Sat": whole days say no hours. */
function windowWords({ days, from, to }: WindowDocument, writing: Writing): string {
  const said = days && dayWords(days, writing);
  if (said && from === '00:00' && to === '24:00') return `on ${said}`;
  return `${said ?? 'every day'} ${clockWords(from, writing)}–${clockWords(to, writing)}`;
}

/** "Mon–Sat", "Thu, Fri", "Mon–Wed, Sat": three days or more in a row are said as from and to. */
function dayWords(days: readonly Weekday[], { weekdays }: Writing): string {
  const rows: Weekday[][] = [];
  for (const day of WEEKDAYS.filter((one) => days.includes(one))) {
    const row = rows.at(-1);
    if (row && WEEKDAYS.indexOf(row.at(-1)!) === WEEKDAYS.indexOf(day) - 1) row.push(day);
    else rows.push([day]);
  }
  return rows
    .flatMap((row) =>
      row.length < 3 ? row.map((day) => weekdays[day]) : [`${weekdays[row[0]!]}–${weekdays[row.at(-1)!]}`],
    )
    .join(', ');
}
