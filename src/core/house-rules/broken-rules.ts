import {
  DAY,
  dayOf,
  FOREVER,
  type Instant,
  MINUTE,
  type Schedule,
  spansWithin,
  type WallTime,
  type Weekday,
  wallTime,
  weekdayOf,
  zoneClock,
} from '../calendar/index.ts';
import { readSchedule, type WhenDocument } from '../plan/index.ts';
import type { HouseRules } from './house-rules.ts';

/** A house rule that a promotion does not keep, with what is against it. */
export type BrokenRule =
  | { readonly rule: 'ends-on'; readonly day: Weekday }
  | { readonly rule: 'no-end'; readonly most: number }
  | { readonly rule: 'lasts'; readonly days: number; readonly most: number };

/** So far ahead the repeats of a promotion are looked at: each weekday and each month comes in it. */
const HORIZON = 400 * DAY;
/** A clock without changes: what is asked for are days, not moments. */
const PLAIN = zoneClock('UTC');

/** The house rules that the dates of a promotion do not keep. A last minute before midnight is of the day before. */
export function brokenRules(when: WhenDocument, rules: HouseRules): BrokenRule[] {
  const { longest, notEndingOn } = rules;
  if (longest === null && notEndingOn.length === 0) return [];
  const spells = spellsOf(readSchedule(when));
  const broken: BrokenRule[] = [];
  const days = Math.max(...spells.map(({ from, to }) => Math.ceil((to - from) / DAY)));
  if (longest !== null && days > longest)
    broken.push(
      Number.isFinite(days) ? { rule: 'lasts', days, most: longest } : { rule: 'no-end', most: longest },
    );
  const ends = spells.flatMap(({ to }) =>
    Number.isFinite(to) ? [weekdayOf(dayOf(wallTime(to - MINUTE)))] : [],
  );
  const day = notEndingOn.find((one) => ends.includes(one));
  if (day !== undefined) broken.push({ rule: 'ends-on', day });
  return broken;
}

interface Spell {
  readonly from: number;
  /** Infinite: without an end. */
  readonly to: number;
}

/** From where to where it counts, hours of the day aside: the whole of it, or each of its repeats. */
function spellsOf(schedule: Schedule): Spell[] {
  const { from, to, repeat } = schedule;
  if (!repeat) return [{ from, to: to ?? Number.POSITIVE_INFINITY }];
  const asked = {
    from: PLAIN.toInstant(from),
    to: Math.min(PLAIN.toInstant(from) + HORIZON, FOREVER) as Instant,
  };
  return spansWithin({ ...schedule, windows: [] }, PLAIN, asked)
    .filter((span) => span.to < asked.to)
    .map((span) => ({ from: PLAIN.toWall(span.from), to: PLAIN.toWall(span.to) as WallTime }));
}
