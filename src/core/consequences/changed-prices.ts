import { DAY, type DayNumber, FOREVER, type Instant, midnight, spansWithin } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import {
  book,
  type CompiledChange,
  type CompiledPlan,
  NO_PRICE,
  type PriceQuestion,
  priceAt,
} from '../price-book/index.ts';
import { GUEST, type Shopper } from '../tag-price/index.ts';
import { askedThrough } from './asked-through.ts';
import { shopperFor } from './consequences.ts';

/** The price of an item in one store under two plans, at the first moment looked at where they differ. */
export interface ChangedPrice {
  readonly sku: string;
  readonly name: string;
  readonly at: Instant;
  /** Whether it is the price of those alone whom a promotion is for. */
  readonly guests: boolean;
  /** Null: it is not sold. */
  readonly before: MinorUnits | null;
  readonly after: MinorUnits | null;
  /** The promotions that make the two, the one that sets it first; none: a regular price. */
  readonly was: readonly string[];
  readonly by: readonly string[];
}

interface Look {
  readonly at: Instant;
  readonly shopper: Shopper;
  readonly through: Pick<PriceQuestion, 'channel' | 'terminal'>;
}

/** How far ahead promotions that have yet to begin are looked for. */
const AHEAD = 400 * DAY;
/** A store's plan has fewer changes than this; a longer list is looked at from its nearest moments on. */
const MOST_LOOKS = 120;

/**
 * What a store's prices would be under a new plan where the old one has others: now, when each promotion that is not
 * the same first counts, and on each day on which regular prices that are not the same begin. The largest come first.
 * @param differing ids of the promotions and item numbers that the two plans do not agree on.
 */
export function changedPrices(
  before: CompiledPlan | null,
  after: CompiledPlan,
  store: string,
  now: Instant,
  differing: { readonly promotions: ReadonlySet<string>; readonly items: ReadonlySet<string> },
): ChangedPrice[] {
  const plans = before ? [before, after] : [after];
  const looks = plans.flatMap((plan) => [
    ...promotionLooks(plan, store, now, differing.promotions),
    ...dayLooks(plan, store, now, differing.items),
  ]);
  const nearest = looks.toSorted((a, b) => a.at - b.at).slice(0, MOST_LOOKS);
  const found = new Map<string, ChangedPrice>();
  for (const look of [{ at: now, shopper: GUEST, through: {} }, ...nearest])
    for (const one of differences(before, after, store, look))
      if (!found.has(one.sku)) found.set(one.sku, one);
  return [...found.values()].toSorted((a, b) => sizeOf(b) - sizeOf(a) || (a.sku < b.sku ? -1 : 1));
}

/** By which part a price changes; what is new or goes changes most. */
const sizeOf = ({ before, after }: ChangedPrice): number =>
  before === null || after === null || before === 0 ? Number.MAX_VALUE : Math.abs(after - before) / before;

function promotionLooks(
  plan: CompiledPlan,
  id: string,
  now: Instant,
  promotions: ReadonlySet<string>,
): Look[] {
  const store = plan.stores.get(id);
  if (!store) return [];
  const asked = { from: now, to: Math.min(now + AHEAD, FOREVER) as Instant };
  return plan.changes.flatMap(({ promotion }: CompiledChange): Look[] => {
    if (!promotions.has(promotion.id)) return [];
    const [span] = spansWithin(promotion.when, plan.clockOf(store), asked);
    if (!span) return [];
    return [
      {
        at: Math.max(span.from, now) as Instant,
        shopper: shopperFor(promotion),
        through: askedThrough(plan, promotion, id),
      },
    ];
  });
}

function dayLooks(plan: CompiledPlan, id: string, now: Instant, items: ReadonlySet<string>): Look[] {
  const store = plan.stores.get(id);
  if (!store) return [];
  const clock = plan.clockOf(store);
  const days = new Set<DayNumber>();
  for (const { sku, prices } of plan.catalogue.items) {
    if (!items.has(sku)) continue;
    const rows = [prices.chain, ...prices.zones.values(), ...prices.stores.values()].flat();
    for (const { since } of rows) if (since !== null) days.add(since);
  }
  return [...days].flatMap((day): Look[] => {
    const at = clock.toInstant(midnight(day));
    return at > now ? [{ at, shopper: GUEST, through: {} }] : [];
  });
}

function differences(
  before: CompiledPlan | null,
  after: CompiledPlan,
  store: string,
  look: Look,
): ChangedPrice[] {
  const now = priced(before, store, look);
  const then = priced(after, store, look);
  return [...new Set([...now.keys(), ...then.keys()])].flatMap((sku): ChangedPrice[] => {
    const [was, is] = [now.get(sku), then.get(sku)];
    if (was?.price === is?.price) return [];
    return [
      {
        sku,
        name: (is ?? was)!.name,
        at: look.at,
        guests: look.shopper.kind === 'guest',
        before: was?.price ?? null,
        after: is?.price ?? null,
        was: before && was ? setBy(before, sku, store, look) : [],
        by: is ? setBy(after, sku, store, look) : [],
      },
    ];
  });
}

function priced(
  plan: CompiledPlan | null,
  store: string,
  { at, shopper, through }: Look,
): Map<string, { name: string; price: MinorUnits }> {
  const found = new Map<string, { name: string; price: MinorUnits }>();
  if (!plan) return found;
  const { prices } = book(plan, at, [store], undefined, shopper, through);
  plan.catalogue.items.forEach(({ sku, name }, index) => {
    const price = prices[index]!;
    if (price !== NO_PRICE) found.set(sku, { name, price: price as MinorUnits });
  });
  return found;
}

/** The promotions that make a price: the one that sets it, and those on top. */
function setBy(plan: CompiledPlan, sku: string, store: string, { at, shopper, through }: Look): string[] {
  const answer = priceAt(plan, { sku, store, at, shopper, ...through });
  if (answer.kind === 'problem') return [];
  return [...(answer.winner ? [answer.winner] : []), ...answer.onTop].map(({ promotion }) => promotion);
}
