import type { Instant } from '../calendar/index.ts';
import { barOf, type CompiledPlan, DEFAULT_CHANNEL, type Placed, situationOf } from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';

/** Of some promotions the numbers of those that count in a store for somebody who holds every code. */
export function countingAt(
  compiled: CompiledPlan,
  store: string,
  { at, shopper }: { at: Instant; shopper: Shopper },
  some: readonly Placed[],
): number[] {
  const situation = {
    ...situationOf(compiled, compiled.stores.get(store)!, { at, shopper, channel: DEFAULT_CHANNEL }),
    holding: new Set(some.map(({ promotion }) => promotion.id)),
  };
  return some.flatMap((one, number) => (barOf(one, situation) === null ? [number] : []));
}
