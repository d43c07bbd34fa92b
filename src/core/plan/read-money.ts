import {
  type BasisPoints,
  type Currency,
  type MinorUnits,
  oneMajorUnit,
  parseAmount,
  type Rounding,
} from '../money/index.ts';
import type { FormulaDocument, RoundingDocument } from './document.ts';
import type { BasisKind, Formula } from './model.ts';

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

export function readRounding(document: RoundingDocument, currency: Currency): Rounding {
  if ('step' in document)
    return { kind: 'step', step: readAmount(document.step, currency), mode: document.mode };
  const per = document.per === undefined ? oneMajorUnit(currency) : readAmount(document.per, currency);
  const endings = [...new Set(document.endings.map((ending) => readAmount(ending, currency)))];
  return { kind: 'ending', endings: endings.sort((a, b) => a - b), per, mode: document.mode };
}

/** Millionths of a factor with at most six decimals; null where it is not one. */
export function parseFactor(text: string): number | null {
  const match = /^(\d{1,6})(?:\.(\d{1,6}))?$/.exec(text);
  return match ? Number(match[1] + (match[2] ?? '').padEnd(6, '0')) : null;
}

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
