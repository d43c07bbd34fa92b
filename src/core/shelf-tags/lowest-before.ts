import { DAY, type Instant } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Promotion } from '../plan/index.ts';
import { type CompiledPlan, timeline } from '../price-book/index.ts';
import { GUEST } from '../tag-price/index.ts';

const DAYS_BEFORE = 30;

/**
 * The lowest tag price of a guest in the thirty days before a reduction began: before the first moment from which on
 * one promotion has made the price without a break.
 * @param at a moment at which it does.
 * @returns null where it was not sold then.
 */
export function lowestBefore(
  compiled: CompiledPlan,
  place: { readonly sku: string; readonly store: string },
  promotion: Promotion,
  at: Instant,
): MinorUnits | null {
  const store = compiled.stores.get(place.store);
  if (!store) return null;
  const begun = compiled.clockOf(store).toInstant(promotion.when.from);
  const asked = { from: (begun - DAYS_BEFORE * DAY) as Instant, to: (at + 1) as Instant };
  const steps = timeline(compiled, { ...place, shopper: GUEST }, asked);
  let first = steps.length - 1;
  const made = (i: number) => {
    const step = steps[i];
    return step && (step.promotion === promotion.id || step.onTop.includes(promotion.id));
  };
  while (first > 0 && made(first - 1)) first -= 1;
  const began = steps[first]!.from;
  const prices = steps
    .slice(0, first)
    .flatMap(({ price, to }) => (price === null || to <= began - DAYS_BEFORE * DAY ? [] : [price]));
  return prices.length === 0 ? null : (Math.min(...prices) as MinorUnits);
}
