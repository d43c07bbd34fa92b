import type { ValueDocument } from '../../plan/index.ts';
import { moneyWords } from '../../words/index.ts';
import { percentWords, type Writing } from '../../writing/index.ts';

/** What is made of one unit. */
export function eachWords(value: ValueDocument, currency: string, writing: Writing): string {
  if ('each' in value) return `for ${moneyWords(value.each, currency, writing)} each`;
  if ('percentOff' in value)
    return value.percentOff === 10_000 ? 'free' : `at ${percentWords(value.percentOff, writing)} less`;
  return 'amountOffEach' in value ? `at ${moneyWords(value.amountOffEach, currency, writing)} less each` : '';
}

/** What is made of several units together. */
export function togetherWords(value: ValueDocument, currency: string, writing: Writing): string {
  if ('total' in value) return `for ${moneyWords(value.total, currency, writing)}`;
  return 'amountOff' in value
    ? `at ${moneyWords(value.amountOff, currency, writing)} less together`
    : eachWords(value, currency, writing);
}
