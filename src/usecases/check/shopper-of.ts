import type { CompiledPlan } from '../../core/price-book/index.ts';
import { GUEST, type Shopper } from '../../core/tag-price/index.ts';

/** Somebody of a shopper group, or a guest where none is named; null where there is no such group. */
export function shopperOf(group: string | undefined, { plan }: CompiledPlan): Shopper | null {
  if (group === undefined) return GUEST;
  return plan.shopperGroups.some(({ id }) => id === group)
    ? { kind: 'shopper', id: null, groups: [group] }
    : null;
}
