import { type MinorUnits, parseAmount } from './amount.ts';
import type { Currency } from './currency.ts';

/** Reads an amount that has been checked before. */
export function readAmount(text: string, currency: Currency): MinorUnits {
  const amount = parseAmount(text, currency);
  if (amount === null) throw new Error(`unchecked amount ${text}`);
  return amount;
}

/** Amounts by SKU. */
export function readAmounts(
  amounts: Record<string, string> | undefined,
  currency: Currency,
): ReadonlyMap<string, MinorUnits> {
  return new Map(Object.entries(amounts ?? {}).map(([sku, text]) => [sku, readAmount(text, currency)]));
}
