import type { PromotionSummary } from '../../contracts/view/index.ts';

/** Promotions that run on a day, approved ones and those that are yet to be; by name. */
export function runningOn(promotions: readonly PromotionSummary[], day: string): string[] {
  return promotions
    .filter(({ status, from, to }) => {
      if (status === 'paused' || status === 'archived') return false;
      return from < `${day}T24:00` && (to === null || to > `${day}T00:00`);
    })
    .map(({ name }) => name);
}

const two = (value: number): string => String(value).padStart(2, '0');

/** "2026-11-27" of what the calendar holds a day as: midnight by the clock of the reader's machine. */
export const isoOf = (date: Date): string =>
  `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;

/** The day of a date or moment as it is written; null where it is none yet. */
export function dateOfIso(text: string): Date | null {
  const [, year, month, day] = /^(\d{4})-(\d\d)-(\d\d)/.exec(text) ?? [];
  return year ? new Date(Number(year), Number(month) - 1, Number(day)) : null;
}
