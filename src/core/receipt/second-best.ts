import type { Receipt } from './receipt.ts';
import type { RungBasket } from './ring.ts';

export interface SecondBest {
  /** The offer that the best choice applies and this one does not. */
  readonly without: string;
  readonly receipt: Receipt;
  /** How much less it saves, in minor units. */
  readonly difference: number;
}

/**
 * The best choice that does not apply all the offers of the receipt: each is left out in turn, and what saves most
 * without it stands. Null where the receipt applies none.
 * @param budget work of all the looks together.
 */
export function secondBest({ receipt: best, without }: RungBasket, budget: number): SecondBest | null {
  let second: SecondBest | null = null;
  for (const { promotion } of best.applications) {
    const share = Math.ceil(budget / best.applications.length);
    const receipt = without(new Set([promotion]), share);
    const difference = best.saving - receipt.saving;
    if (!second || difference < second.difference) second = { without: promotion, receipt, difference };
  }
  return second;
}
