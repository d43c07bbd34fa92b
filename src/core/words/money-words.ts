import { currencyOf, formatAmount, parseAmount } from '../money/index.ts';
import { decimalWords, type Writing } from '../writing/index.ts';

/** "12.00 EUR", however many decimals an amount was typed with; a text that is no amount stands as it is. */
export function moneyWords(text: string | number, code: string, writing: Writing): string {
  const currency = currencyOf(code);
  const amount = currency && parseAmount(String(text), currency);
  const whole = amount === null || !currency ? String(text) : formatAmount(amount, currency);
  return `${decimalWords(whole, writing)} ${code}`;
}
