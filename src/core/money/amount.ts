import type { Currency } from './currency.ts';

/** A whole number of a currency's minor units (cents, yen, fils). Never a fraction. */
export type MinorUnits = number & { readonly __unit: 'minor' };
/** A whole number of hundredths of a percent: 1250 is 12.5 %. */
export type BasisPoints = number & { readonly __unit: 'basis-points' };

/** The largest amount taken in: keeps every exact calculation below far from the limit of safe integers. */
export const LARGEST_AMOUNT = 1_000_000_000_000 as MinorUnits;

export const minorUnits = (value: number): MinorUnits => value as MinorUnits;

/**
 * Reads a decimal amount such as "8.49".
 * @returns null where the text is not one, has more decimals than the currency, or is too large.
 */
export function parseAmount(text: string, currency: Currency): MinorUnits | null {
  const match = /^(\d+)(?:\.(\d+))?$/.exec(text);
  if (!match) return null;
  const decimals = match[2] ?? '';
  if (decimals.length > currency.exponent) return null;
  const value = Number(match[1]! + decimals.padEnd(currency.exponent, '0'));
  return value <= LARGEST_AMOUNT ? minorUnits(value) : null;
}

/** Writes an amount with all the decimals of its currency: 2120 EUR is "21.20". */
export function formatAmount(amount: MinorUnits, currency: Currency): string {
  const digits = String(Math.abs(amount)).padStart(currency.exponent + 1, '0');
  const sign = amount < 0 ? '-' : '';
  if (currency.exponent === 0) return sign + digits;
  const cut = digits.length - currency.exponent;
  return `${sign}${digits.slice(0, cut)}.${digits.slice(cut)}`;
}

/** Minor units of one major unit: 100 for EUR, 1 for JPY. */
export const oneMajorUnit = (currency: Currency): MinorUnits => minorUnits(10 ** currency.exponent);
