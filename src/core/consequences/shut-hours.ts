import {
  DAY,
  type DayNumber,
  dayNumber,
  dayOf,
  FOREVER,
  type Instant,
  MINUTE,
  type Schedule,
  type Span,
  spansWithin,
  type WallTime,
  wallTime,
} from '../calendar/index.ts';
import { type Promotion, readSchedule, type StoreDocument } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { storesOf } from '../selection/index.ts';

/** Hours of a promotion at which stores of it are shut, as far as their hours are known. */
export interface ShutHours {
  /** Its last minute, or all of its hours within the first weeks. */
  readonly what: 'end' | 'hours';
  readonly stores: readonly string[];
}

/** So far ahead a promotion's hours are held against those of a store. */
const WEEKS = 3 * 7 * DAY;

/**
 * Where a promotion ends while a store is shut, and where a store is never open while it counts.
 * @param shutDays on which no store opens, whatever its hours.
 */
export function shutHours(
  compiled: CompiledPlan,
  { where, when }: Pick<Promotion, 'where' | 'when'>,
  shutDays: ReadonlySet<DayNumber> = new Set(),
): ShutHours[] {
  const chosen = storesOf(where, compiled.plan);
  const stores = compiled.plan.stores.filter(
    ({ id, hours }) => chosen.has(id) && (shutDays.size > 0 || (hours && hours.length > 0)),
  );
  const doors = { compiled, shutDays };
  const shut = (what: ShutHours['what'], isShut: (store: StoreDocument) => boolean): ShutHours[] => {
    const found = stores.filter(isShut).map(({ id }) => id);
    return found.length === 0 ? [] : [{ what, stores: found }];
  };
  const hours = shut('hours', (store) => isNeverOpen(doors, when, store));
  if (hours.length > 0 || when.to === null) return hours;
  const last = wallTime(when.to - MINUTE);
  return shut('end', (store) => !isMidnight(when.to!) && !isOpen(doors, store, last));
}

const isMidnight = (wall: WallTime): boolean => wall % DAY === 0;

interface Doors {
  readonly compiled: CompiledPlan;
  readonly shutDays: ReadonlySet<DayNumber>;
}

function isOpen(doors: Doors, store: StoreDocument, wall: WallTime): boolean {
  const at = doors.compiled.clockOf(store).toInstant(wall);
  return openSpans(doors, store, { from: at, to: (at + MINUTE) as Instant }).length > 0;
}

function isNeverOpen(doors: Doors, when: Schedule, store: StoreDocument): boolean {
  const clock = doors.compiled.clockOf(store);
  const from = clock.toInstant(when.from);
  const spans = spansWithin(when, clock, { from, to: Math.min(from + WEEKS, FOREVER) as Instant });
  return spans.length > 0 && spans.every((span) => openSpans(doors, store, span).length === 0);
}

/** The hours of a store as a schedule of their own, from the day before on: some run over midnight. */
function openSpans({ compiled, shutDays }: Doors, store: StoreDocument, asked: Span): Span[] {
  const clock = compiled.clockOf(store);
  const first = dayNumber(dayOf(clock.toWall(asked.from)) - 1);
  const schedule = readSchedule({ from: '2000-01-01T00:00', windows: store.hours });
  return spansWithin({ ...schedule, from: wallTime(first * DAY), except: shutDays }, clock, asked);
}
