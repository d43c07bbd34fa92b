import { currencyOf, formatAmount, parseAmount } from '../money/index.ts';

/** "12.00 EUR", however many decimals an amount was typed with; a text that is no amount stands as it is. */
export function moneyWords(text: string | number, code: string): string {
  const currency = currencyOf(code);
  const amount = currency && parseAmount(String(text), currency);
  return `${amount === null || !currency ? text : formatAmount(amount, currency)} ${code}`;
}
