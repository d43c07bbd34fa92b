import type { Instant } from '../calendar/index.ts';
import { digest, stable, stableTexts } from '../digest/index.ts';
import type { PlanDocument } from '../plan/index.ts';
import { type CompiledPlan, mixer, rowPainter } from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';
import { countingAt } from './counting-at.ts';

/** What of a plan lasts longer than a version of it is looked at once. */
const texts = stableTexts();
const known = new WeakMap<readonly object[], string>();

/**
 * What a search for loopholes in a store rests on, as a short text: two searches of the same key find the same baskets,
 * whatever else has changed in the plan. It is made of the promotions that count then, every code held, of the prices of
 * that moment, of the store, and of the goods and all that is said of them.
 */
export function searchKey(
  document: PlanDocument,
  compiled: CompiledPlan,
  { store, at, shopper }: { readonly store: string; readonly at: Instant; readonly shopper: Shopper },
): string {
  const all = [...compiled.changes, ...compiled.offers];
  const written = new Map(document.promotions.map((promotion) => [promotion.id, promotion]));
  const counting = countingAt(compiled, store, { at, shopper }, all).map((number) =>
    texts(written.get(all[number]!.promotion.id)!),
  );
  // Its shelves and its own line prices behind codes are in no price of the moment; its name is in none either.
  const { name: _, ...here } = document.stores.find(({ id }) => id === store)!;
  const parts = [ground(document), stable(here), pricesOf(compiled, store, at, shopper), ...counting];
  return digest(parts.join('\n'));
}

/** Everything but promotions and stores. */
function ground({ items, promotions: _, stores: __, ...rest }: PlanDocument): string {
  const goods = known.get(items) ?? digest(stable(items));
  known.set(items, goods);
  return `${goods} ${digest(texts(rest))}`;
}

function pricesOf(compiled: CompiledPlan, store: string, at: Instant, shopper: Shopper): string {
  const row = rowPainter(compiled, { at, shopper }).row(store);
  const mixed = mixer();
  for (let i = 0; row && i < row.prices.length; i++) {
    mixed.put(row.prices[i]!);
    mixed.put(row.regular[i]!);
  }
  return mixed.text();
}
