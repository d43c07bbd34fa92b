import type { DayNumber } from '../calendar/index.ts';
import type { Item, StoreDocument } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { mayDiffer, type PlanAt } from './may-differ.ts';
import { openingOf } from './opening.ts';
import { READS_THE_SAME, readsOtherwise } from './reads-otherwise.ts';
import { kindsAsked, promotionsOn, type Standing, saysTheSame, shopperOf, standingsAt } from './standing.ts';

export interface Hung {
  /** What hung of an item; null: nothing, as it was not sold, or the plan of that time did not know it. */
  before(sku: string): Standing | null;
  /** Whether anything about an item may be another than what hung; where it may not, nothing is. */
  mayDiffer(index: number, item: Item): boolean;
  /** Whether another tag must hang for what is to hang now. */
  isOther(item: Item, before: Standing | null, now: Standing): boolean;
}

/** What hung on the day before in a store, by the plan of that time. */
export function whatHung(compiled: CompiledPlan, after: PlanAt, { id }: StoreDocument, day: DayNumber): Hung {
  const store = compiled.stores.get(id);
  if (!store) return { before: () => null, mayDiffer: () => true, isOther: () => true };
  const at = openingOf(compiled, store, day);
  const standing = standingsAt(compiled, store, at);
  const reads = compiled === after.compiled ? READS_THE_SAME : readsOtherwise(compiled, after.compiled);
  const shoppers = [GUEST, ...[compiled, after.compiled].flatMap(kindsAsked).map(shopperOf)];
  const differs = mayDiffer(id, { compiled, at }, after, shoppers, reads.promotion);
  return {
    before(sku) {
      const index = compiled.catalogue.indexOf.get(sku);
      return index === undefined ? null : standing(index);
    },
    mayDiffer: (index, item) => differs(index) || reads.item(item),
    isOther: (item, before, now) =>
      before === null ||
      !saysTheSame(now, before) ||
      reads.item(item) ||
      promotionsOn(now).some(reads.promotion),
  };
}
