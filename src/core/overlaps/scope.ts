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
import type { CompiledChange, CompiledOffer, CompiledPlan } from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';
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
  /** The channels that some price change names. */
  readonly channels: readonly string[];
  /** Those that count within the span. */
  readonly changes: readonly CompiledChange[];
  readonly offers: readonly CompiledOffer[];
  /** When a promotion counts at a site, within the span. */
  spansOf(promotion: Promotion, site: Site): readonly Span[];
  /** Price changes that count within the span or ended not long before it. */
  readonly remembered: readonly CompiledChange[];
  /** When a promotion counts at a site, within the span or not long before it. */
  rememberedSpansOf(promotion: Promotion, site: Site): readonly Span[];
  /** So far back are tag prices looked at: what ended before may be the lowest price of the 30 days before another. */
  readonly earlier: Span;
  /** When a promotion counts at a site, within the span or so long before it. */
  earlierSpansOf(promotion: Promotion, site: Site): readonly Span[];
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
/** How far back what has ended is remembered: a reduction for 30 days, and as long as it may have run. */
const REMEMBERED = 100 * DAY;
const EARLIER = REMEMBERED + 31 * DAY;
/** What comes again and again is looked at for so long, and so often. */
const LONGEST = 800 * DAY;
const MOST_SPANS = 3_000;

/** @param asked what is looked at; absent: from the first start to well after the last end. */
export function scopeOf(compiled: CompiledPlan, asked: Partial<Span> = {}): Scope {
  const approved = ({ promotion }: Looked): boolean => promotion.status === 'approved';
  const sites = sitesOf(compiled);
  const all = [...compiled.changes, ...compiled.offers].filter(approved);
  const span = { ...wholeSpan(compiled, all), ...asked };
  const spansOf = spansWithinAt(compiled, span);
  const rememberedSpansOf = spansWithinAt(compiled, { ...span, from: (span.from - REMEMBERED) as Instant });
  const earlier = { ...span, from: (span.from - EARLIER) as Instant };
  const counts = (by: Scope['spansOf']) => (looked: Looked) =>
    approved(looked) && (sites.length === 0 || sites.some((site) => by(looked.promotion, site).length > 0));
  const changes = compiled.changes.filter(counts(spansOf));
  return {
    ...{ compiled, span, sites, changes, spansOf, rememberedSpansOf, earlier },
    earlierSpansOf: spansWithinAt(compiled, earlier),
    offers: compiled.offers.filter(counts(spansOf)),
    remembered: compiled.changes.filter(counts(rememberedSpansOf)),
    kinds: kindsOfShopper(compiled.plan),
    channels: [...new Set(changes.flatMap(({ promotion }) => promotion.channels ?? []))].sort(),
    placesOf(looked) {
      const meant = looked.stores();
      return sites.flatMap((site) => {
        const stores = site.stores.filter((id) => meant.has(id));
        return stores.length > 0 ? [{ site, stores }] : [];
      });
    },
  };
}

function spansWithinAt(compiled: CompiledPlan, span: Span): Scope['spansOf'] {
  const known = new Map<string, readonly Span[]>();
  return (promotion, { store: { timeZone } }) => {
    const key = `${promotion.id}\n${timeZone}`;
    const found = known.get(key) ?? spansIn(compiled, promotion, timeZone, span);
    known.set(key, found);
    return found;
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

/** How many regular prices have begun by a moment: between two of them nothing changes but what is live. */
export function turnAt({ compiled }: Scope, { store }: Site, at: Instant): number {
  const day = dayOf(compiled.clockOf(store).toWall(at));
  return compiled.grounds.turns.filter((turn) => turn <= day).length;
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

export const isChange = (looked: Looked): looked is CompiledChange => 'selection' in looked;
export const isOffer = (looked: Looked): looked is CompiledOffer => 'parts' in looked;

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
