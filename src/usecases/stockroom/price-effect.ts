import type { PriceEffect } from '../../contracts/index.ts';
import { type EntryChange, tableOf, withEntries } from '../../contracts/table/index.ts';
import { DAY, type Instant } from '../../core/calendar/index.ts';
import { type Promotion, readPlan } from '../../core/plan/index.ts';
import { type CompiledPlan, compile } from '../../core/price-book/index.ts';
import type { ItemSelection } from '../../core/selection/index.ts';
import type { CurrentPlan } from '../ports/index.ts';

const PRICES: readonly EntryChange['table'][] = ['prices', 'listPrices', 'priceLists', 'shopperGroups'];
/** What rules on goods and places look at. */
const RULED: readonly EntryChange['table'][] = [
  'items',
  'nodes',
  'itemSets',
  'setItems',
  'stores',
  'storeGroups',
];

/**
 * What a checked change of the stockroom would do to prices: null where it is none of prices, and the goods and stores
 * of every approved promotion that is not over stay as they are. New items and stores are left out: that they come in
 * by a rule is what the rule is for.
 */
export function priceEffect(current: CurrentPlan, change: EntryChange, now: Instant): PriceEffect | null {
  const rows = change.puts.length + change.drops.length;
  if (PRICES.includes(change.table)) return { prices: rows, promotions: [] };
  if (!RULED.includes(change.table)) return null;
  const next = withEntries(current.document, change, tableOf(change.table).keyOf);
  const promotions = reached(current.compiled, compile(readPlan(next)), now);
  return promotions.length === 0 ? null : { prices: 0, promotions };
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

function reached(before: CompiledPlan, after: CompiledPlan, now: Instant): PriceEffect['promotions'] {
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
