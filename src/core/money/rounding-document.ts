import { oneMajorUnit } from './amount.ts';
import type { Currency } from './currency.ts';
import { readAmount } from './read-amount.ts';
import type { Rounding } from './rounding.ts';

/** A rounding as it stands in an open document. */
export type RoundingDocument =
  | { step: string; mode: 'nearest' | 'up' | 'down' }
  | { endings: string[]; per?: string; mode: 'nearest' | 'up' | 'down' };

/** Reads a rounding that has been checked before. */
export function readRounding(document: RoundingDocument, currency: Currency): Rounding {
  if ('step' in document)
    return { kind: 'step', step: readAmount(document.step, currency), mode: document.mode };
  const per = document.per === undefined ? oneMajorUnit(currency) : readAmount(document.per, currency);
  const endings = [...new Set(document.endings.map((ending) => readAmount(ending, currency)))];
  return { kind: 'ending', endings: endings.sort((a, b) => a - b), per, mode: document.mode };
}
