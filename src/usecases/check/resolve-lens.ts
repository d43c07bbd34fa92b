import {
  GROUP_PREFIX,
  type Lens,
  type LensView,
  type Person,
  sees,
  shopperNumberIn,
} from '../../contracts/index.ts';
import {
  DAY,
  dayNumber,
  dayOf,
  formatLocalDate,
  formatMoment,
  type Instant,
  MINUTE,
  parseMoment,
  type WallTime,
} from '../../core/calendar/index.ts';
import type { StoreDocument } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { storesOf } from '../../core/selection/index.ts';
import { maySeeShoppers, type ShopperPorts, whoIs } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { CurrentPlan, PlanBook } from '../ports/index.ts';
import { bookOf, knownMoment, knownText, type PastPorts } from './as-known.ts';

const DAYS_BEFORE = 7;
const DAYS_SHOWN = 24;

/** Finds the names behind a lens. What is not there is left out and told. */
export async function resolveLens(
  ports: PastPorts & ShopperPorts,
  person: Person,
  lens: Lens,
  now: Instant,
): Promise<LensView | null> {
  const then = await knownThen(ports, person, lens, now);
  const current = await seenBy(then.book, person);
  const { plan, clockOf } = current.compiled;
  const seen = plan.stores.filter(({ id }) => sees(person, id));
  const fallback = seen[0];
  if (!fallback) return null;
  const { group, store, missing: noPlace } = placeOf(lens, seen, current);
  const at = store ?? fallback;
  const clock = clockOf(at);
  const asked = lens.at === null ? null : parseMoment(lens.at, clock);
  const shopper = await shopperSeen(ports, person, lens.shopper, current.compiled);
  const missing = [
    noPlace,
    lens.at !== null && asked === null ? `"${lens.at}" is no date and hour` : null,
    lens.shopper !== null && !shopper ? nobodyWords(lens.shopper) : null,
    then.missing,
  ].filter((part) => part !== null);
  // The clock of a page stands still on the minute it was made.
  const moment = asked ?? toMinute(now);
  return {
    lens: {
      where: noPlace ? null : lens.where,
      at: asked === null ? null : lens.at,
      shopper: shopper?.id ?? null,
      ...(then.at === null ? {} : { known: knownText(then.at) }),
    },
    store: { id: at.id, name: at.name, timeZone: at.timeZone },
    group,
    at: formatMoment(moment, clock),
    now: formatMoment(now, clock).slice(0, 16),
    shopper,
    known: then.at === null ? null : formatMoment(toMinute(then.at), clock),
    missing: missing.length === 0 ? null : missing.join(', and '),
    days: daysAround(current, clock.toWall(moment)),
  };
}

const nobodyWords = (asked: string): string => {
  const number = shopperNumberIn(asked);
  return number === null ? `there is no kind of shopper "${asked}"` : `nobody has the number ${number}`;
};

/** A kind of shopper, or somebody by number; what people are called is told to who may look them up. */
async function shopperSeen(
  ports: ShopperPorts,
  person: Person,
  asked: string | null,
  compiled: CompiledPlan,
): Promise<LensView['shopper']> {
  const number = shopperNumberIn(asked);
  if (number === null) {
    const group = compiled.plan.shopperGroups.find(({ id }) => id === asked);
    return group ? { id: group.id, name: group.name } : null;
  }
  const known = await whoIs(ports, compiled, number);
  if (!known) return null;
  const name = maySeeShoppers(person) ? (known.person?.name ?? known.accountName) : null;
  return { id: asked!, name: name === null ? `shopper ${number}` : `${name} (${number})` };
}

const toMinute = (at: Instant): Instant => (Math.floor(at / MINUTE) * MINUTE) as Instant;

interface KnownThen {
  readonly book: PlanBook;
  /** Null: as it is known now. */
  readonly at: Instant | null;
  readonly missing: string | null;
}

/** The plan that the lens looks at. A wall time is one of the store, as the plan knows it now. */
async function knownThen(
  { book, past }: PastPorts,
  person: Person,
  { known, where }: Lens,
  now: Instant,
): Promise<KnownThen> {
  if (known === undefined) return { book, at: null, missing: null };
  const instead = (missing: string): KnownThen => ({ book, at: null, missing });
  const { compiled } = await seenBy(book, person);
  const store = (where && compiled.stores.get(where)) || compiled.plan.stores[0];
  const at = store ? knownMoment(known, compiled.clockOf(store)) : null;
  if (at === null) return instead(`"${known}" is no date and hour to have known something on`);
  if (at > now) return instead('nobody knows yet what will be known then');
  const plan = await past.known(at);
  if (plan) return { book: bookOf(plan), at, missing: null };
  const since = await past.since();
  const from =
    since === null ? '' : `: it is on record since ${formatMoment(since, compiled.clockOf(store!))}`;
  return instead(`what was known of the plan then is not on record${from}`);
}

function placeOf(
  { where }: Lens,
  seen: readonly StoreDocument[],
  { compiled: { plan } }: CurrentPlan,
): { group: LensView['group']; store: StoreDocument | undefined; missing: string | null } {
  if (where === null) return { group: null, store: undefined, missing: null };
  if (!where.startsWith(GROUP_PREFIX)) {
    const store = seen.find(({ id }) => id === where);
    return { group: null, store, missing: store ? null : `there is no store "${where}" for you` };
  }
  const id = where.slice(GROUP_PREFIX.length);
  const found = plan.storeGroups.find((one) => one.id === id);
  const inGroup = found ? storesOf({ group: id }, plan) : new Set<string>();
  const stores = seen.filter((store) => inGroup.has(store.id));
  if (!found || stores.length === 0)
    return { group: null, store: undefined, missing: `there is no store group "${id}" for you` };
  return {
    group: { id, name: found.name, stores: stores.map((store) => store.id) },
    store: stores[0],
    missing: null,
  };
}

/** How many approved promotions start and end on each day around the moment; wall times, so of every store alike. */
function daysAround({ document }: CurrentPlan, at: WallTime): LensView['days'] {
  const first = dayOf((at - DAYS_BEFORE * DAY) as WallTime);
  const starts = new Map<string, number>();
  const ends = new Map<string, number>();
  const count = (days: Map<string, number>, text: string) =>
    days.set(text.slice(0, 10), (days.get(text.slice(0, 10)) ?? 0) + 1);
  for (const { status, when } of document.promotions) {
    if (status !== 'approved') continue;
    count(starts, when.from);
    if (when.to !== undefined) count(ends, when.to);
  }
  return Array.from({ length: DAYS_SHOWN }, (_, i) => {
    const date = formatLocalDate(dayNumber(first + i));
    return { date, starts: starts.get(date) ?? 0, ends: ends.get(date) ?? 0 };
  });
}
