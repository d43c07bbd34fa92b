import type { Instant } from '../calendar/index.ts';
import { type MinorUnits, minorUnits } from '../money/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import { book, type CompiledPlan, NO_PRICE, type PriceQuestion } from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';
import { marginOf } from './margin.ts';

/** A store at the first moment of the change there. */
export interface StoreLook {
  readonly store: StoreDocument;
  readonly at: Instant;
  readonly through: Pick<PriceQuestion, 'channel' | 'terminal'>;
}

/** What becomes of one item over all the stores that sell it. */
export interface ItemAcross {
  readonly before: PriceRange;
  readonly after: PriceRange;
  readonly stores: number;
  readonly changedIn: number;
  /** In how many stores it costs more than without the change. */
  readonly raisedIn: number;
  /** Where the least is left over the cost; null where the cost is not known. */
  readonly worst: { readonly store: string; readonly price: MinorUnits; readonly margin: number } | null;
  /** The first store that sells it. */
  readonly first: StoreLook;
}

export interface PriceRange {
  readonly low: MinorUnits;
  readonly high: MinorUnits;
}

/** Above so many prices one store stands for all of its zone. */
const MOST_PRICES = 3_000_000;

/**
 * The prices of items in every store without a change and with it, in short.
 * @param costOf what an item costs while the change runs; null: not known.
 * @returns by number of the item; nothing for one that none of the stores sells.
 */
export function acrossStores(
  plans: { readonly before: CompiledPlan; readonly after: CompiledPlan },
  looks: readonly StoreLook[],
  indexes: readonly number[],
  shopper: Shopper,
  costOf: (index: number) => MinorUnits | null,
): Map<number, ItemAcross> {
  const found = new Map<number, ItemAcross>();
  const few = looks.length * indexes.length <= MOST_PRICES;
  for (const look of few ? looks : firstOfZones(looks)) {
    const { store, at, through } = look;
    const row = (plan: CompiledPlan) => book(plan, at, [store.id], indexes, shopper, through).prices;
    const [before, after] = [row(plans.before), row(plans.after)];
    indexes.forEach((index, i) => {
      if (after[i] === NO_PRICE || before[i] === NO_PRICE) return;
      const prices = { before: minorUnits(before[i]!), after: minorUnits(after[i]!) };
      found.set(index, withStore(found.get(index), look, prices, costOf(index)));
    });
  }
  return found;
}

function firstOfZones(looks: readonly StoreLook[]): StoreLook[] {
  const first = new Map<string | undefined, StoreLook>();
  for (const look of looks) if (!first.has(look.store.zone)) first.set(look.store.zone, look);
  return [...first.values()];
}

function withStore(
  so: ItemAcross | undefined,
  look: StoreLook,
  { before, after }: { before: MinorUnits; after: MinorUnits },
  cost: MinorUnits | null,
): ItemAcross {
  // At a price of zero there is no margin to speak of: what costs something is lost whole.
  const margin = marginOf(after, cost) ?? (cost === 0 ? 0 : Number.NEGATIVE_INFINITY);
  const here = cost === null ? null : { store: look.store.id, price: after, margin };
  return {
    before: widened(so?.before, before),
    after: widened(so?.after, after),
    stores: (so?.stores ?? 0) + 1,
    changedIn: (so?.changedIn ?? 0) + (after === before ? 0 : 1),
    raisedIn: (so?.raisedIn ?? 0) + (after > before ? 1 : 0),
    worst: so?.worst && here && so.worst.margin <= here.margin ? so.worst : here,
    first: so?.first ?? look,
  };
}

const widened = (range: PriceRange | undefined, price: MinorUnits): PriceRange => ({
  low: range && range.low < price ? range.low : price,
  high: range && range.high > price ? range.high : price,
});
