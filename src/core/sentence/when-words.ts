import { describeRule } from '../calendar/index.ts';
import type { WhenDocument, WindowDocument } from '../plan/index.ts';
import { durationWords } from './duration-words.ts';
import { DAYS, dateWords, momentWords } from './moment-words.ts';

/** From when until when, with hours, repeats and days left out. */
export function whenWords(when: WhenDocument): string {
  const end = when.to === undefined ? 'with no end' : `to ${momentWords(when.to)}`;
  const parts = [`from ${momentWords(when.from)} ${end}`];
  if (when.repeat)
    parts.push(`${describeRule(when.repeat.rrule)}, each time for ${durationWords(when.repeat.duration)}`);
  const hours = (when.windows ?? []).map(windowWords);
  if (hours.length > 0) parts.push(`only ${hours.join(' and ')}`);
  if (when.except?.length) parts.push(`but not on ${when.except.map(dateWords).join(' and ')}`);
  return parts.join(', ');
}

/** "Thu, Fri 18:00–20:00", "every day 16:00–18:00" */
function windowWords({ days, from, to }: WindowDocument): string {
  return `${days ? days.map((day) => DAYS[day]).join(', ') : 'every day'} ${from}–${to}`;
}
