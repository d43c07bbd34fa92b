import { type MinorUnits, type Ratio, ratio } from '../money/index.ts';
import type { Formula } from '../plan/index.ts';

/**
 * Pricing rules 3.4: what a formula makes of the amount it works on, exact and not yet rounded. May be below zero.
 * @param basis the base, regular price, cost or list price that the formula names.
 */
export function formulaResult(formula: Formula, basis: MinorUnits): Ratio {
  const amount = BigInt(basis);
  switch (formula.kind) {
    case 'percentOff':
      return ratio(amount * BigInt(10_000 - formula.percent), 10_000);
    case 'amountOff':
      return ratio(basis - formula.amount);
    case 'setTo':
      return ratio(formula.amount);
    case 'multiplyBy':
      return ratio(amount * BigInt(formula.millionths), 1_000_000);
    case 'addPercent':
      return ratio(amount * BigInt(10_000 + formula.percent), 10_000);
    case 'marginOnPrice':
      return ratio(amount * 10_000n, 10_000 - formula.percent);
  }
}
