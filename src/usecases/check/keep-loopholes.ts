import {
  done,
  failed,
  type KeptLoophole,
  type KeptLoopholes,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import {
  DAY,
  dayOf,
  formatLocalDate,
  formatWallTime,
  HOUR,
  type Instant,
  type WallTime,
} from '../../core/calendar/index.ts';
import { findLoopholes, kindsOfStores, MOST_CODES_TOGETHER, searchKey } from '../../core/loopholes/index.ts';
import { type CompiledPlan, DEFAULT_CHANNEL } from '../../core/price-book/index.ts';
import { codesHeld, standIns } from '../../core/receipt/index.ts';
import { GUEST } from '../../core/tag-price/index.ts';
import { seenOf } from '../people/index.ts';
import type { CurrentPlan, LoopholeStore, PlanBook } from '../ports/index.ts';
import { loopholeView } from './loophole-view.ts';
import { todayIn } from './today-in.ts';

type Ports = { book: PlanBook; loopholes: LoopholeStore };

/** So far ahead stores hold prices. */
const AHEAD = 14 * DAY;
/** The hour at which a day is looked at, when what has windows mostly counts. */
const HOUR_OF_DAY = 11 * HOUR;
const UNITS = 12;
/** A search takes a second or two; the days that come first are looked at. */
const MOST_SEARCHES = 24;
const MOST_KEPT = 40;
/** Baskets that are rung beside the worst one. */
const FURTHER = 300;

/**
 * Searches the approved plan for baskets that lose money, on the days on which something begins, so that nobody waits:
 * one search a time, as others wait for the threads.
 * @returns whether there is more to search.
 */
export async function keepLoopholes({ book, loopholes }: Ports, now: Instant): Promise<boolean> {
  const current = await book.current();
  const { version, compiled } = current;
  const today = todayIn(compiled, now);
  const day = formatLocalDate(dayOf(today));
  const before = await loopholes.found(version, day);
  if (before?.isWhole) return false;
  const { found, searches } = before ?? { found: [], searches: 0 };
  const searched = searchesOf(compiled, today);
  const made = await searchFrom({ current, loopholes }, searched.slice(searches));
  const isWhole = searches + made.searches >= searched.length;
  await loopholes.keep(version, day, {
    found: joined(found, made.found),
    searches: searches + made.searches,
    isWhole,
  });
  return !isWhole;
}

/** One search, and whatever before and after it needs none: what it rests on was searched once. */
async function searchFrom(
  { current, loopholes }: { current: CurrentPlan; loopholes: LoopholeStore },
  wanted: readonly OneSearch[],
): Promise<{ readonly found: readonly KeptLoophole[]; readonly searches: number }> {
  const { compiled, document } = current;
  const found: KeptLoophole[] = [];
  let fresh = 0;
  for (const [done, one] of wanted.entries()) {
    const { id, name } = compiled.stores.get(one.stores[0]!)!;
    const moment = { store: id, at: instantIn(compiled, id, one.at), shopper: GUEST };
    const key = `${UNITS} ${FURTHER} ${searchKey(document, compiled, moment)}`;
    const known = await loopholes.searched(key);
    if (!known && fresh > 0) return { found, searches: done };
    const baskets = known ?? losing(compiled, one);
    if (!known) {
      fresh += 1;
      await loopholes.keepSearch(key, baskets);
    }
    // The same baskets, on another day it may be, and for more or fewer stores.
    const here = { store: { id, name }, stores: one.stores.length, at: formatWallTime(one.at) };
    found.push(...baskets.map((basket) => ({ ...basket, ...here })));
  }
  return { found, searches: wanted.length };
}

/** The baskets that lose money in what may go out, as far as that is known. */
export async function lookAtKeptLoopholes(
  { book, loopholes }: Ports,
  person: Person,
  now: Instant,
): Promise<Outcome<KeptLoopholes>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await book.current();
  const { compiled } = seenOf(current, person);
  // What a basket leaves tells of costs.
  if (!person.costs) return done({ currency: compiled.plan.currency.code, found: [] });
  const kept = await loopholes.found(current.version, formatLocalDate(dayOf(todayIn(compiled, now))));
  return done({
    currency: compiled.plan.currency.code,
    found: kept?.isWhole ? kept.found.filter(({ store }) => compiled.stores.has(store.id)) : null,
  });
}

/** The same for whoever is about to send: each time that is asked a further search is made, until all are. */
export async function searchKeptLoopholes(
  ports: Ports,
  person: Person,
  now: Instant,
): Promise<Outcome<KeptLoopholes>> {
  const known = await lookAtKeptLoopholes(ports, person, now);
  if (!known.ok || known.value.found !== null) return known;
  await keepLoopholes(ports, now);
  return lookAtKeptLoopholes(ports, person, now);
}

interface OneSearch {
  readonly at: WallTime;
  readonly stores: readonly string[];
}

const instantIn = (compiled: CompiledPlan, store: string, at: WallTime): Instant =>
  compiled.clockOf(compiled.stores.get(store)!).toInstant(at);

/** Day by day, one store for all in which prices come about alike. */
function searchesOf(compiled: CompiledPlan, today: WallTime): OneSearch[] {
  const stores = [...compiled.stores.keys()];
  return momentsFrom(compiled, today)
    .flatMap((at) =>
      kindsOfStores(compiled, stores, (store) => instantIn(compiled, store, at), GUEST).map((same) => ({
        at,
        stores: same,
      })),
    )
    .slice(0, MOST_SEARCHES);
}

function losing(compiled: CompiledPlan, { at, stores }: OneSearch): KeptLoophole[] {
  const { id, name } = compiled.stores.get(stores[0]!)!;
  const circumstances = {
    ...{ id: null, store: id, at: instantIn(compiled, id, at), channel: DEFAULT_CHANNEL, terminal: null },
    ...{ shopper: GUEST, history: null, codes: codesLive(compiled, at), usesSoFar: new Map() },
    vouched: standIns(compiled.plan.promotions),
    ...{ payment: null, delivery: null, region: null, postcode: null, linkTag: null, lines: [] },
  };
  return findLoopholes(compiled, { circumstances, units: UNITS, further: FURTHER })
    .found.filter(({ margin, promotions }) => margin < 0 && promotions.length > 0)
    .map((one) => ({
      store: { id, name },
      stores: stores.length,
      at: formatWallTime(at),
      loophole: loopholeView(compiled, one),
    }));
}

/**
 * What loses most first, each set of promotions once; two loopholes in one basket that lose less than one of them are
 * nothing new.
 */
function joined(known: readonly KeptLoophole[], more: readonly KeptLoophole[]): KeptLoophole[] {
  const rising = [...known, ...more].sort((a, b) => Number(a.loophole.margin) - Number(b.loophole.margin));
  const idsOf = ({ loophole }: KeptLoophole) => loophole.promotions.map(({ id }) => id);
  const isNew = (one: KeptLoophole, worse: readonly KeptLoophole[]) =>
    !worse.some((other) => idsOf(other).every((id) => idsOf(one).includes(id)));
  return rising.filter((one, i) => isNew(one, rising.slice(0, i))).slice(0, MOST_KEPT);
}

/** Today, and each day ahead on which something that is approved begins, at an hour at which it counts. */
function momentsFrom({ plan }: CompiledPlan, today: WallTime): WallTime[] {
  const begins = plan.promotions.flatMap(({ status, when: { from } }) =>
    status === 'approved' && from > today && from < today + AHEAD ? [from] : [],
  );
  const byDay = new Map<number, number>([[dayOf(today), today]]);
  for (const from of begins) byDay.set(dayOf(from), Math.max(byDay.get(dayOf(from)) ?? 0, from));
  return [...byDay]
    .sort(([a], [b]) => a - b)
    .map(([day, from]) => Math.max(from, day * DAY + HOUR_OF_DAY) as WallTime);
}

/** Codes that count then, where they are few enough to be held in every choice. */
function codesLive({ plan }: CompiledPlan, at: WallTime): string[] {
  const live = plan.promotions.filter(
    ({ status, when }) => status === 'approved' && when.from <= at && (when.to === null || at < when.to),
  );
  const codes = live.flatMap(codesHeld);
  return codes.length <= MOST_CODES_TOGETHER ? codes : [];
}
