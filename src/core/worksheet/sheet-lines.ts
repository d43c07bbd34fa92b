import { boundsOf, dayOf, type Instant } from '../calendar/index.ts';
import { firstMoment, shopperFor } from '../consequences/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { ItemRule, Promotion, StoreDocument } from '../plan/index.ts';
import { apply, type CompiledPlan, listsFor, priceAt } from '../price-book/index.ts';
import { compileItemRule, storesOf } from '../selection/index.ts';
import { basePrice, isRetired, listPrice, regularPrice } from '../tag-price/index.ts';

/** What a worksheet knows of one item before any pass: all that a formula may work from. */
export interface SheetLine {
  readonly sku: string;
  readonly name: string;
  readonly regular: MinorUnits;
  /** What the shopper of the change pays without any promotion. */
  readonly base: MinorUnits;
  readonly cost: MinorUnits | null;
  /** What is paid at that moment without this change. */
  readonly now: MinorUnits;
  /** The results of the price lists that some pass works from. */
  readonly lists: Readonly<Record<string, MinorUnits>>;
  /** Numbers of the passes that select it, rising; empty for a line that was added by hand. */
  readonly passes: readonly number[];
  /** Numbers in `elsewhere` of what reduces it already in some of these stores and days. */
  readonly reducedBy: readonly number[];
}

export interface SheetFacts {
  /** Null: no store is in it, or no moment of it comes. */
  readonly lookedAt: { readonly store: string; readonly at: Instant } | null;
  readonly lines: readonly SheetLine[];
  readonly elsewhere: readonly { readonly promotion: string; readonly items: number }[];
  /** Selected or added, and not sold at the store and moment that is looked at. */
  readonly unsold: readonly string[];
}

export interface SheetQuestion {
  /** Where, when and for whom; its own offer is not looked at. */
  readonly draft: Promotion;
  readonly passes: readonly { readonly items: ItemRule; readonly list: string | null }[];
  readonly added: readonly string[];
  /** The store to look at where the draft counts there. */
  readonly prefer: string | null;
}

/** The lines of a worksheet with what stands in them before its passes are run. */
export function sheetFacts(plan: CompiledPlan, { draft, passes, added, prefer }: SheetQuestion): SheetFacts {
  const { compiled } = apply(plan, { kind: 'drop-promotion', id: draft.id });
  const stores = storesOf(draft.where, compiled.plan);
  const id = prefer !== null && stores.has(prefer) ? prefer : [...stores][0];
  const store = id === undefined ? undefined : compiled.stores.get(id);
  const at = store ? firstMoment(compiled, draft, store) : null;
  if (!store || at === null) return { lookedAt: null, lines: [], elsewhere: [], unsold: [] };
  const selections = passes.map(({ items }) =>
    compileItemRule(items, compiled.catalogue, compiled.plan.currency),
  );
  const others = overlapping(compiled, draft, stores);
  const counts = others.map(() => 0);
  const byHand = new Set(added);
  const day = dayOf(compiled.clockOf(store).toWall(at));
  const shopper = shopperFor(draft);
  const priceLists = listsFor(compiled, shopper);
  const lines: SheetLine[] = [];
  const unsold: string[] = [];
  compiled.catalogue.items.forEach((item, index) => {
    if (compiled.catalogue.isParent(index)) return;
    const regular = isRetired(item, day) ? null : (regularPrice(item, store, day)?.price ?? null);
    const selecting = selections.flatMap((selection, i) => (selection.has(index, regular) ? [i] : []));
    if (selecting.length === 0 && !byHand.has(item.sku)) return;
    const now = priceAt(compiled, { sku: item.sku, store: store.id, at, shopper });
    if (now.kind === 'problem') return void unsold.push(item.sku);
    const reducedBy = others.flatMap(({ has }, i) => (has(index, now.regular.price) ? [i] : []));
    for (const i of reducedBy) counts[i]!++;
    lines.push({
      sku: item.sku,
      name: item.name,
      regular: now.regular.price,
      base: basePrice(priceLists, item.sku, now.regular.price).price,
      cost: item.cost,
      now: now.price,
      lists: listResults(compiled, passes, item.sku, now.regular.price),
      passes: selecting,
      reducedBy,
    });
  });
  return {
    lookedAt: { store: store.id, at },
    lines,
    elsewhere: others.map(({ promotion }, i) => ({ promotion, items: counts[i]! })),
    unsold,
  };
}

function listResults(
  compiled: CompiledPlan,
  passes: SheetQuestion['passes'],
  sku: string,
  regular: MinorUnits,
): SheetLine['lists'] {
  const results: Record<string, MinorUnits> = {};
  for (const { list } of passes) {
    const found = list === null ? undefined : compiled.priceLists.get(list);
    const price = found && listPrice(found, sku, regular);
    if (list !== null && price !== null && price !== undefined) results[list] = price;
  }
  return results;
}

/** Other approved price changes that count in one of the stores at some time of the draft. */
function overlapping(compiled: CompiledPlan, draft: Promotion, stores: ReadonlySet<string>) {
  return compiled.changes
    .filter(({ promotion }) => promotion.id !== draft.id && promotion.status === 'approved')
    .filter((change) =>
      [...change.stores()].some(
        (id) => stores.has(id) && meets(compiled, change.promotion, draft, compiled.stores.get(id)!),
      ),
    )
    .map((change) => ({ promotion: change.promotion.id, has: change.selection().has }));
}

function meets(compiled: CompiledPlan, one: Promotion, other: Promotion, store: StoreDocument): boolean {
  const clock = compiled.clockOf(store);
  const a = boundsOf(one.when, clock);
  const b = boundsOf(other.when, clock);
  return a.from < b.to && b.from < a.to;
}
