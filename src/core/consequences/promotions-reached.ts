import { DAY, type Instant } from '../calendar/index.ts';
import type { Promotion } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import type { ItemSelection } from '../selection/index.ts';

/** How many goods and stores more and less a promotion reaches. */
export interface ReachChange {
  readonly id: string;
  readonly name: string;
  readonly goodsMore: number;
  readonly goodsLess: number;
  readonly storesMore: number;
  readonly storesLess: number;
}

interface Reach {
  readonly promotion: Promotion;
  readonly parts: readonly ItemSelection[];
  readonly stores: ReadonlySet<string>;
}

function reachOf({ changes, offers }: CompiledPlan): Map<string, Reach> {
  const all: Reach[] = [
    ...changes.map((one) => ({
      promotion: one.promotion,
      parts: [one.selection()],
      stores: one.stores(),
    })),
    ...offers.map((one) => ({ promotion: one.promotion, parts: one.parts(), stores: one.stores() })),
  ];
  return new Map(all.map((one) => [one.promotion.id, one]));
}

/**
 * Approved promotions that are not over whose goods or stores differ between two states of a plan. Items and stores that
 * stand in only one of them are left out: that they come in by a rule is what the rule is for.
 */
export function promotionsReached(before: CompiledPlan, after: CompiledPlan, now: Instant): ReachChange[] {
  const then = reachOf(after);
  return [...reachOf(before)].flatMap(([id, one]) => {
    const other = then.get(id);
    if (!other || one.promotion.status !== 'approved' || isOver(one.promotion, before, now)) return [];
    const goods = goodsDiffering(one, other, { before, after });
    const stores = storesDiffering(one.stores, other.stores, before, after);
    const { name } = one.promotion;
    const sum = goods.more + goods.less + stores.more + stores.less;
    return sum === 0
      ? []
      : [
          {
            id,
            name,
            goodsMore: goods.more,
            goodsLess: goods.less,
            storesMore: stores.more,
            storesLess: stores.less,
          },
        ];
  });
}

/** Stores end at their own hour: a day later it is over in all of them. */
function isOver({ when }: Promotion, { plan, clockOf }: CompiledPlan, now: Instant): boolean {
  const [store] = plan.stores;
  return when.to !== null && store !== undefined && clockOf(store).toInstant(when.to) + DAY < now;
}

function goodsDiffering(
  one: Reach,
  other: Reach,
  { before, after }: { before: CompiledPlan; after: CompiledPlan },
): { more: number; less: number } {
  const counts = { more: 0, less: 0 };
  before.catalogue.items.forEach((item, index) => {
    const at = after.catalogue.indexOf.get(item.sku);
    // A parent is not sold itself.
    if (at === undefined || after.catalogue.isParent(at)) return;
    // A rule on regular prices is asked at the chain's newest.
    const regular = item.prices.chain[0]?.price ?? null;
    const was = one.parts.some((part) => part.has(index, regular));
    const is = other.parts.some((part) => part.has(at, regular));
    if (is && !was) counts.more++;
    if (was && !is) counts.less++;
  });
  return counts;
}

function storesDiffering(
  one: ReadonlySet<string>,
  other: ReadonlySet<string>,
  before: CompiledPlan,
  after: CompiledPlan,
): { more: number; less: number } {
  const known = (id: string) => before.stores.has(id) && after.stores.has(id);
  return {
    more: [...other].filter((id) => known(id) && !one.has(id)).length,
    less: [...one].filter((id) => known(id) && !other.has(id)).length,
  };
}
