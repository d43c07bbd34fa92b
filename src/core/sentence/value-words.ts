import type { ValueDocument } from '../plan/index.ts';
import { percentWords } from './formula-words.ts';
import { moneyWords } from './money-words.ts';

/** What is made of one unit. */
export function eachWords(value: ValueDocument, currency: string): string {
  if ('each' in value) return `for ${moneyWords(value.each, currency)} each`;
  if ('percentOff' in value)
    return value.percentOff === 10_000 ? 'free' : `at ${percentWords(value.percentOff)} less`;
  return 'amountOffEach' in value ? `at ${moneyWords(value.amountOffEach, currency)} less each` : '';
}

/** What is made of several units together. */
export function togetherWords(value: ValueDocument, currency: string): string {
  if ('total' in value) return `for ${moneyWords(value.total, currency)}`;
  return 'amountOff' in value
    ? `at ${moneyWords(value.amountOff, currency)} less together`
    : eachWords(value, currency);
}
