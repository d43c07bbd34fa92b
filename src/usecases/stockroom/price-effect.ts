import type { PriceEffect } from '../../contracts/index.ts';
import { type EntryChange, tableOf, withEntries } from '../../contracts/table/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { promotionsReached } from '../../core/consequences/index.ts';
import { readPlan, type ShopperDocument } from '../../core/plan/index.ts';
import { compile } from '../../core/price-book/index.ts';
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
  if (change.table === 'shoppers') return termsEffect(current, change);
  if (!RULED.includes(change.table)) return null;
  const next = withEntries(current.document, change, tableOf(change.table).keyOf);
  const promotions = promotionsReached(current.compiled, compile(readPlan(next)), now);
  return promotions.length === 0 ? null : { prices: 0, promotions };
}

/** A number that is told to the plan, so that a promotion may name it, has no terms yet and changes no price. */
function termsEffect({ document }: CurrentPlan, change: EntryChange): PriceEffect | null {
  const concerned = new Set([...change.puts.map((put) => (put as ShopperDocument).id), ...change.drops]);
  const before = (document.shoppers ?? []).filter(({ id }) => concerned.has(id));
  const changed = [...(change.puts as ShopperDocument[]), ...before].filter(hasTerms).map(({ id }) => id);
  return changed.length === 0 ? null : { prices: new Set(changed).size, promotions: [] };
}

const hasTerms = ({ account, groups = [], priceList }: ShopperDocument): boolean =>
  account !== undefined || groups.length > 0 || priceList !== undefined;
