import { done, failed, invalid, type Outcome, type Person, sees } from '../../contracts/index.ts';
import {
  type DayNumber,
  dayNumber,
  formatLocalDate,
  type Instant,
  parseLocalDate,
} from '../../core/calendar/index.ts';
import type { StoreDocument } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { openingOf } from '../../core/shelf-tags/index.ts';
import { seenOf } from '../people/index.ts';
import type { CurrentPlan, PlanBook, PlanPast } from '../ports/index.ts';

/** A day at the shelves of a store, with the plan by which the tags of the day before were hung. */
export interface ShelfDay {
  readonly current: CurrentPlan;
  readonly store: StoreDocument;
  readonly day: DayNumber;
  /** Of the day before, as texts. */
  readonly dayBefore: string;
  readonly hungBy: CompiledPlan;
}

/** The day that is asked for, as far as the person may see the plan. */
export async function shelfDay(
  { book, past }: { book: PlanBook; past: PlanPast },
  person: Person,
  asked: { readonly store: string; readonly day: string },
  now: Instant,
): Promise<Outcome<ShelfDay>> {
  const current = seenOf(await book.current(), person);
  const store = sees(person, asked.store) ? current.compiled.stores.get(asked.store) : undefined;
  if (!store) return failed({ kind: 'not-found', what: `store "${asked.store}" for you` });
  const day = parseLocalDate(asked.day);
  if (day === null) return invalid(['day'], `"${asked.day}" is no day`, 'a day such as 2027-03-01');
  const before = dayNumber(day - 1);
  const opened = openingOf(current.compiled, store, before);
  // What hung then was hung by what was known then: who changes a price by day has it hung anew the same day.
  const known = opened < now ? await past.known(opened) : null;
  const hungBy = known ? seenOf(known, person).compiled : current.compiled;
  return done({ current, store, day, dayBefore: formatLocalDate(before), hungBy });
}
