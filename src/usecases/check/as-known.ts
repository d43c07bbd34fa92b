import { failed, invalid, type Outcome } from '../../contracts/index.ts';
import { type Instant, parseMoment, type ZoneClock } from '../../core/calendar/index.ts';
import type { CurrentPlan, PlanBook, PlanPast } from '../ports/index.ts';

export interface PastPorts {
  readonly book: PlanBook;
  readonly past: PlanPast;
}

/**
 * What a use case stands on, with the plan as it was known at a moment in place of the one that stands.
 * @param known ISO 8601 with its offset; absent: the plan that stands.
 */
export async function asKnown<P extends PastPorts>(ports: P, known: string | undefined): Promise<Outcome<P>> {
  if (known === undefined) return { ok: true, value: ports };
  const at = knownMoment(known, null);
  if (at === null)
    return invalid(
      ['known'],
      `"${known}" is no moment`,
      'a moment with its offset, such as 2027-03-01T09:00Z',
    );
  const then = await ports.past.known(at);
  if (!then) return failed({ kind: 'not-found', what: `plan as known on ${known}` });
  return { ok: true, value: { ...ports, book: bookOf(then) } };
}

/** A plan that stays as it is. */
export const bookOf = (plan: CurrentPlan): PlanBook => ({ current: () => Promise.resolve(plan) });

/** @param clock whose wall time it is where the text has no offset; null: it must have one. */
export function knownMoment(text: string, clock: ZoneClock | null): Instant | null {
  if (!/(Z|[+-]\d{2}:\d{2})$/.test(text)) return clock && parseMoment(text, clock);
  const at = Date.parse(text);
  return Number.isNaN(at) ? null : (at as Instant);
}

/** As it stands in an address: to the millisecond where that counts. */
export const knownText = (at: Instant): string => new Date(at).toISOString().replace(/:00\.000Z$/, 'Z');
