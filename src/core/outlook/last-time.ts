import { kindOf, type Promotion } from '../plan/index.ts';
import { type CompiledPlan, goodsOf } from '../price-book/index.ts';

/** How much two promotions must be about the same goods so that one is the other's last time. */
const ALIKE = 0.5;

export interface LastTime {
  readonly promotion: Promotion;
  /** Goods of both, of this one alone, and of that one alone. */
  readonly goods: { readonly both: number; readonly added: number; readonly gone: number };
}

/**
 * The last promotion of the same kind about mostly the same goods that was approved and was over before this one begins.
 * @param compiled with the draft in it.
 */
export function lastTime(compiled: CompiledPlan, draft: Promotion): LastTime | null {
  const goods = goodsOf(compiled, draft.id);
  const kind = kindOf(draft.offer);
  let found: LastTime | null = null;
  for (const other of compiled.plan.promotions) {
    const end = other.when.to;
    if (other.id === draft.id || other.status === 'draft') continue;
    if (kindOf(other.offer) !== kind || end === null || end > draft.when.from) continue;
    if (found && found.promotion.when.to! >= end) continue;
    const then = goodsOf(compiled, other.id);
    const both = [...goods].filter((index) => then.has(index)).length;
    const all = goods.size + then.size - both;
    if (all === 0 || both / all < ALIKE) continue;
    found = { promotion: other, goods: { both, added: goods.size - both, gone: then.size - both } };
  }
  return found;
}
