import { type BasisPoints, type Currency, type MinorUnits, readAmount } from '../../money/index.ts';

export type Basis = 'base' | 'regular' | 'cost' | { priceList: string };
export type FormulaDocument =
  | ({ basis?: Basis } & (
      | { percentOff: number }
      | { amountOff: string }
      | { setTo: string }
      | { multiplyBy: string }
    ))
  | { addPercent: number }
  | { marginOnPrice: number };

export type BasisKind = 'base' | 'regular' | 'cost' | { readonly priceList: string };
export type Formula =
  | { readonly kind: 'percentOff'; readonly basis: BasisKind; readonly percent: BasisPoints }
  | { readonly kind: 'amountOff'; readonly basis: BasisKind; readonly amount: MinorUnits }
  | { readonly kind: 'setTo'; readonly basis: BasisKind; readonly amount: MinorUnits }
  /** A factor in millionths. */
  | { readonly kind: 'multiplyBy'; readonly basis: BasisKind; readonly millionths: number }
  | { readonly kind: 'addPercent'; readonly basis: 'cost'; readonly percent: BasisPoints }
  | { readonly kind: 'marginOnPrice'; readonly basis: 'cost'; readonly percent: BasisPoints };

/** Millionths of a factor with at most six decimals; null where it is not one. */
export function parseFactor(text: string): number | null {
  const match = /^(\d{1,6})(?:\.(\d{1,6}))?$/.exec(text);
  return match ? Number(match[1] + (match[2] ?? '').padEnd(6, '0')) : null;
}

/** Reads a formula that has been checked before. */
export function readFormula(document: FormulaDocument, currency: Currency): Formula {
  if ('addPercent' in document)
    return { kind: 'addPercent', basis: 'cost', percent: document.addPercent as BasisPoints };
  if ('marginOnPrice' in document) {
    return { kind: 'marginOnPrice', basis: 'cost', percent: document.marginOnPrice as BasisPoints };
  }
  const basis: BasisKind = document.basis ?? 'base';
  if ('percentOff' in document)
    return { kind: 'percentOff', basis, percent: document.percentOff as BasisPoints };
  if ('amountOff' in document)
    return { kind: 'amountOff', basis, amount: readAmount(document.amountOff, currency) };
  if ('setTo' in document) return { kind: 'setTo', basis, amount: readAmount(document.setTo, currency) };
  return { kind: 'multiplyBy', basis, millionths: parseFactor(document.multiplyBy)! };
}
