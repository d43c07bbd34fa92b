import { type MinorUnits, type Ratio, ratio, roundPrice } from '../money/index.ts';
import type { PriceChange } from '../plan/index.ts';
import { formulaResult } from './formula.ts';

/** Pricing rules 3.5: the running price after one change on top, rounded by it. */
export function stepOnTop(change: PriceChange, running: MinorUnits, base: MinorUnits): MinorUnits {
  return roundPrice(exactStep(change, running, base), change.rounding);
}

function exactStep(change: PriceChange, running: MinorUnits, base: MinorUnits): Ratio {
  const formula = change.formula!;
  if (change.ofBase && formula.kind === 'percentOff') {
    return ratio(BigInt(running) * 10_000n - BigInt(base) * BigInt(formula.percent), 10_000);
  }
  return formulaResult(formula, running);
}
