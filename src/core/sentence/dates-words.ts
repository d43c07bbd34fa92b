import type { WhenDocument } from '../plan/index.ts';
import { momentWords, type Writing } from '../writing/index.ts';
import { capital } from './capital.ts';

type Dates = Pick<WhenDocument, 'from' | 'to'>;

/** "from Thu 26 Nov 2026, 9:00 with no end" */
export const datesWords = ({ from, to }: Dates, writing: Writing): string =>
  `from ${momentWords(from, writing)} ${to === undefined ? 'with no end' : `to ${momentWords(to, writing)}`}`;

/** A promotion's sentence for where its dates stand beside it; its repeats, days and hours stay. */
export function withoutDates(sentence: string, when: Dates, writing: Writing): string {
  const dates = capital(`${datesWords(when, writing)}, `);
  return sentence.startsWith(dates) ? capital(sentence.slice(dates.length)) : sentence;
}
