import {
  common,
  DAY,
  type DayNumber,
  dayNumber,
  dayOf,
  FOREVER,
  type Instant,
  isUnbroken,
  type Span,
  spansWithin,
} from '../calendar/index.ts';
import type { Promotion } from '../plan/index.ts';
import type {
  BasketOfferPromotion,
  CompiledChange,
  CompiledOffer,
  CompiledPlan,
} from '../price-book/index.ts';
import type { PriceChangePromotion, Shopper } from '../tag-price/index.ts';
import type { Finding } from './finding.ts';
import { kindsOfShopper } from './kinds-of-shopper.ts';
import { type Site, sitesOf } from './sites.ts';

/** Something of the plan that is looked at, with the stores it is for. */
export type Looked = CompiledChange | CompiledOffer;

/** The plan as far as it is looked at: what is approved, within a span. */
export interface Scope {
  readonly compiled: CompiledPlan;
  readonly span: Span;
  readonly sites: readonly Site[];
  readonly kinds: readonly Shopper[];
  readonly changes: readonly CompiledChange[];
  readonly offers: readonly CompiledOffer[];
  /** When a promotion counts at a site, within the span. */
  spansOf(promotion: Promotion, site: Site): readonly Span[];
  /** The sites that have stores of it, each with those. */
  placesOf(looked: Looked): readonly Place[];
}

export interface Place {
  readonly site: Site;
  /** Ids of the stores of the site that are meant. */
  readonly stores: readonly string[];
}

/** How far ahead something without an end is looked at, after everything else has ended. */
const AHEAD = 370 * DAY;
/** What comes again and again is looked at for so long, and so often. */
const LONGEST = 800 * DAY;
const MOST_SPANS = 3_000;

/** @param asked what is looked at; absent: from the first start to well after the last end. */
export function scopeOf(compiled: CompiledPlan, asked: Partial<Span> = {}): Scope {
  const approved = ({ promotion }: Looked): boolean => promotion.status === 'approved';
  const changes = compiled.changes.filter(approved);
  const offers = compiled.offers.filter(approved);
  const sites = sitesOf(compiled);
  const span = { ...wholeSpan(compiled, [...changes, ...offers]), ...asked };
  const spans = new Map<string, readonly Span[]>();
  return {
    ...{ compiled, span, sites, changes, offers },
    kinds: kindsOfShopper(compiled.plan),
    spansOf(promotion, { store }) {
      const key = `${promotion.id}\n${store.timeZone}`;
      const found = spans.get(key) ?? spansIn(compiled, promotion, store.timeZone, span);
      spans.set(key, found);
      return found;
    },
    placesOf(looked) {
      const meant = looked.stores();
      return sites.flatMap((site) => {
        const stores = site.stores.filter((id) => meant.has(id));
        return stores.length > 0 ? [{ site, stores }] : [];
      });
    },
  };
}

function spansIn(compiled: CompiledPlan, { when }: Promotion, timeZone: string, span: Span): readonly Span[] {
  const clock = compiled.clockOf({ timeZone });
  if (isUnbroken(when)) return spansWithin(when, clock, span);
  const from = Math.max(span.from, clock.toInstant(when.from));
  const looked = common(span, { from: from as Instant, to: (from + LONGEST) as Instant });
  return looked ? spansWithin(when, clock, looked).slice(0, MOST_SPANS) : [];
}

/** From a day before the first start to well after the last end, in whatever time zone. */
function wholeSpan({ plan, clockOf, grounds }: CompiledPlan, all: readonly Looked[]): Span {
  const [store] = plan.stores;
  if (!store || all.length === 0) return { from: 0 as Instant, to: 1 as Instant };
  const clock = clockOf(store);
  const starts = all.map(({ promotion }) => clock.toInstant(promotion.when.from));
  const ends = all.flatMap(({ promotion: { when } }) => (when.to === null ? [] : [clock.toInstant(when.to)]));
  const last = grounds.turns.at(-1);
  const from = starts.reduce<number>((a, b) => Math.min(a, b), FOREVER) - DAY;
  const to = [...starts, ...ends, (last ?? 0) * DAY].reduce<number>((a, b) => Math.max(a, b), 0) + AHEAD;
  return { from: from as Instant, to: to as Instant };
}

/** The local days that stand for all days of some spans: regular prices do not change from one to the next. */
export function daysOf({ compiled }: Scope, { store }: Site, spans: readonly Span[]): readonly DayNumber[] {
  const clock = compiled.clockOf(store);
  const days = new Set<DayNumber>();
  for (const { from, to } of spans) {
    const first = dayOf(clock.toWall(from));
    const last = dayOf(clock.toWall((to - 1) as Instant));
    days.add(first);
    for (const turn of compiled.grounds.turns) if (first < turn && turn <= last) days.add(dayNumber(turn));
  }
  return [...days].sort((a, b) => a - b);
}

export const isPriceChange = (promotion: Promotion): promotion is PriceChangePromotion =>
  promotion.offer.kind === 'priceChange';
export const isOffer = (promotion: Promotion): promotion is BasketOfferPromotion => !isPriceChange(promotion);

/** Where and when something counts at all, and nothing of its goods. */
export function wholeOf(
  { compiled: { plan, clockOf } }: Scope,
  looked: Looked,
): Pick<Finding, 'items' | 'stores' | 'from' | 'to' | 'amount'> {
  const { when } = looked.promotion;
  const meant = looked.stores();
  const stores = plan.stores.filter(({ id }) => meant.has(id));
  const clock = clockOf(stores[0] ?? plan.stores[0] ?? { timeZone: 'UTC' });
  return {
    items: [],
    stores: stores.map(({ id }) => id),
    from: clock.toInstant(when.from),
    to: when.to === null ? null : clock.toInstant(when.to),
    amount: null,
  };
}
