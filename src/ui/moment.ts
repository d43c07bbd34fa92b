import { dateWords, momentWords } from '../core/sentence/index.ts';

export { dateWords };

/** "Thu 26 Nov" of "2026-11-26", without the year where it is that of `near`. */
export function shortDate(date: string, near: string): string {
  const words = dateWords(date.slice(0, 10));
  return date.slice(0, 4) === near.slice(0, 4) ? words.replace(/ \d{4}$/, '') : words;
}

/** "Thu 26 Nov, 9:00" */
export function shortMoment(text: string, near: string): string {
  const words = momentWords(text.slice(0, 16));
  const offset = text.slice(16);
  const year = ` ${text.slice(0, 4)},`;
  return (
    (text.slice(0, 4) === near.slice(0, 4) ? words.replace(year, ',') : words) +
    (offset ? ` (UTC${offset})` : '')
  );
}

/** "Europe/Lisbon" is "Lisbon time". */
export const zoneWords = (timeZone: string): string =>
  `${(timeZone.split('/').at(-1) ?? timeZone).replaceAll('_', ' ')} time`;
