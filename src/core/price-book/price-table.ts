import type { MinorUnits } from '../money/index.ts';
import { roundPrice } from '../money/index.ts';
import type { PriceChange } from '../plan/index.ts';
import { formulaResult, stepOnTop } from '../tag-price/index.ts';

/**
 * What a price change makes of an amount, worked out once for each amount: items share a few hundred prices. Exact
 * arithmetic stays in the formula; this only remembers.
 */
export interface PriceTable {
  /** The rounded result of the formula on a basis amount. */
  result(basis: number): number;
  /** One step on top of a running price. */
  step(running: number, base: number): number;
}

export function priceTable(change: PriceChange): PriceTable {
  const results = new Map<number, number>();
  const remember = (amount: number, work: () => number): number => {
    let known = results.get(amount);
    if (known === undefined) {
      known = work();
      results.set(amount, known);
    }
    return known;
  };
  return {
    result: (basis) =>
      remember(basis, () => roundPrice(formulaResult(change.formula!, basis as MinorUnits), change.rounding)),
    step: (running, base) =>
      change.ofBase
        ? stepOnTop(change, running as MinorUnits, base as MinorUnits)
        : remember(running, () => stepOnTop(change, running as MinorUnits, base as MinorUnits)),
  };
}
