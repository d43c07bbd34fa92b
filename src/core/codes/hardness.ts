import { type CodePattern, patternSize } from './code-pattern.ts';

/** How hard it is to guess one of many codes. */
export interface Hardness {
  /** Tries, on average, until one hits. */
  readonly tries: number;
  /** Days that those take at all places together, each as fast as it is let. */
  readonly days: number;
  readonly verdict: 'hard' | 'weak' | 'hopeless';
}

const YEAR = 365;

/**
 * @param codes of the pattern that are good.
 * @param perDay wrong codes that all tills together are let try in a day.
 */
export function hardness(pattern: CodePattern, codes: number, perDay: number): Hardness {
  const tries = Number(patternSize(pattern)) / Math.max(1, codes);
  const days = tries / perDay;
  return { tries, days, verdict: days >= 10 * YEAR ? 'hard' : days >= 30 ? 'weak' : 'hopeless' };
}
