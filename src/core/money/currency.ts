/** Minor-unit exponents that differ from two, from ISO 4217. Every other currency code has two. */
const EXPONENTS: Readonly<Record<string, number>> = {
  BIF: 0,
  CLP: 0,
  DJF: 0,
  GNF: 0,
  ISK: 0,
  JPY: 0,
  KMF: 0,
  KRW: 0,
  PYG: 0,
  RWF: 0,
  UGX: 0,
  UYI: 0,
  VND: 0,
  VUV: 0,
  XAF: 0,
  XOF: 0,
  XPF: 0,
  BHD: 3,
  IQD: 3,
  JOD: 3,
  KWD: 3,
  LYD: 3,
  OMR: 3,
  TND: 3,
  CLF: 4,
  UYW: 4,
};

export interface Currency {
  /** ISO 4217 alphabetic code. */
  readonly code: string;
  /** How many decimals an amount has: EUR 2, JPY 0, KWD 3. */
  readonly exponent: number;
}

/** The currency of a three-letter code, or null where the code has another form. */
export function currencyOf(code: string): Currency | null {
  if (!/^[A-Z]{3}$/.test(code)) return null;
  return { code, exponent: EXPONENTS[code] ?? 2 };
}
