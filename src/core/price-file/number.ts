import { type Instant, MINUTE } from '../calendar/index.ts';

/**
 * Numbers of price files rise by one with every sending, and carry an epoch: after a backup was played back they begin
 * at a new one. What was lost with the newer data may have used any number of the epochs before; a number of the new
 * epoch is above all of them, so that a terminal that holds something lost takes the next file.
 */
export const FILES_AN_EPOCH = 1_000_000;

const FIRST_MINUTE = Date.UTC(2020, 0, 1) as Instant;

/** Where numbers begin in an epoch that is made at a moment: no two minutes share one. */
export const epochAt = (at: Instant): number => Math.floor((at - FIRST_MINUTE) / MINUTE) * FILES_AN_EPOCH;

/** "12", or "12 since the restore" in a later epoch than the first. */
export function numberWords(number: number): string {
  const within = number % FILES_AN_EPOCH;
  return number < FILES_AN_EPOCH ? String(within) : `${within} since the restore`;
}
