import loadHighs from 'highs';
import type { OfferInBasket } from '../../src/core/offer/index.ts';
import { milpOf } from './milp.ts';

const highs = await loadHighs();

/** The greatest saving by a mixed-integer solver, in minor units. */
export function solved(offers: readonly OfferInBasket[]): number {
  if (offers.length === 0) return 0;
  const { Status, ObjectiveValue } = highs.solve(milpOf(offers), {
    mip_rel_gap: 0,
    mip_abs_gap: 0.5,
    output_flag: false,
  });
  if (Status !== 'Optimal') throw new Error(`the solver ended ${Status}`);
  return Math.round(ObjectiveValue);
}
