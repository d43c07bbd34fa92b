import type { CompiledPlan } from '../price-book/index.ts';
import type { Basket } from './basket.ts';
import { type RungBasket, ringBasket } from './ring.ts';
import { heldBy } from './ringing.ts';

export interface CodeWorth {
  readonly code: string;
  /** How much more there would be to pay without it, in minor units; 0: it makes no difference. */
  readonly saves: number;
}

/**
 * What each accepted code of a basket brings. Where a code opens offers over the basket alone, they are left out of what
 * was rung; where it changes prices, the basket is rung anew.
 * @param budget work of one look.
 */
export function codeWorth(
  compiled: CompiledPlan,
  basket: Basket,
  { receipt, without }: RungBasket,
  code: string,
  budget: number,
): CodeWorth {
  const others = { ...basket, codes: basket.codes.filter((other) => other !== code) };
  const still = heldBy(compiled, others);
  const lost = new Set([...heldBy(compiled, basket)].filter((id) => !still.has(id)));
  const prices = compiled.changes.some(({ promotion }) => lost.has(promotion.id));
  const left = prices ? ringBasket(compiled, others, budget, { nearly: false }) : without(lost, budget);
  return { code, saves: left.total - receipt.total };
}
