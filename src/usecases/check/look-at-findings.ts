import type { FindingsView, Person, PlanFinding } from '../../contracts/index.ts';
import { DAY, dayOf, formatLocalDate, type Instant, midnight, type Span } from '../../core/calendar/index.ts';
import {
  type Finding,
  type FindingCode,
  findAfter,
  findingsIn,
  findOverlaps,
  type KeptFindings,
} from '../../core/overlaps/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { seenOf } from '../people/index.ts';
import type { AcceptedFinding, CurrentPlan, FindingStore, PlanBook } from '../ports/index.ts';
import { keyOfFinding } from './accept-finding.ts';
import { findingsView } from './findings-view.ts';

type Ports = { book: PlanBook; findings: FindingStore };

/** How far ahead is looked. */
const AHEAD = 400 * DAY;
/** What tells of costs. */
const OF_COSTS: readonly FindingCode[] = ['below-cost', 'below-floor'];
export const isOfCosts = (code: FindingCode): boolean => OF_COSTS.includes(code);

/** What was found of the whole plan the last time, so that the next look is at what has changed. */
const before = new WeakMap<PlanBook, KeptFindings>();
/** What was found for people of some stores, and of plans as they were known. */
const narrowed = new WeakMap<CompiledPlan, { readonly day: string; readonly found: readonly Finding[] }>();

/**
 * All that may be wrong from today on, as far as a person may see the plan.
 * @param known the moment on which the plan was known that the ports stand on; that day is today then.
 */
export async function lookAtFindings(
  ports: Ports,
  person: Person,
  now: Instant,
  known: Instant | null = null,
): Promise<FindingsView> {
  const whole = await ports.book.current();
  const current = seenOf(whole, person);
  const day = today(whole.compiled, known ?? now);
  const isKept = person.stores === null && known === null;
  const found = isKept ? await foundIn(ports, whole, day) : foundFor(current.compiled, day);
  const told = found.filter(({ code }) => person.costs || !isOfCosts(code));
  const accepted = new Map(
    (await ports.findings.accepted())
      .filter(({ at }) => known === null || Date.parse(at) <= known)
      .map((one) => [one.key, one]),
  );
  return withAccepted(findingsView(current, told), accepted);
}

/** How much there is to look into, where that is known already: whoever opens the day waits for nothing. */
export async function knownFindings(
  ports: Ports,
  person: Person,
  now: Instant,
): Promise<{ count: number; kinds: FindingCode[] } | null> {
  if (person.stores !== null) return null;
  const current = await ports.book.current();
  const { text } = today(current.compiled, now);
  if (!(await ports.findings.found(current.version, text))) return null;
  const { open } = await lookAtFindings(ports, person, now);
  return { count: open.length, kinds: [...new Set(open.map(({ code }) => code))] };
}

/** Looks through the whole plan once it has changed, so that nobody has to wait for it. */
export async function keepFindings(ports: Ports, now: Instant): Promise<void> {
  const current = await ports.book.current();
  await foundIn(ports, current, today(current.compiled, now));
}

interface Day {
  readonly text: string;
  readonly span: Span;
}

function today({ plan, clockOf }: CompiledPlan, now: Instant): Day {
  const clock = clockOf(plan.stores[0] ?? { timeZone: 'UTC' });
  const day = dayOf(clock.toWall(now));
  const from = clock.toInstant(midnight(day));
  return { text: formatLocalDate(day), span: { from, to: (from + AHEAD) as Instant } };
}

/** The whole plan is looked at once for each version and day, whoever asks and wherever it is asked. */
async function foundIn(
  { book, findings }: Ports,
  current: CurrentPlan,
  day: Day,
): Promise<readonly Finding[]> {
  const kept = await findings.found(current.version, day.text);
  if (kept) return kept;
  const after = findAfter(before.get(book) ?? null, current.compiled, day.span);
  before.set(book, after);
  const found = findingsIn(after);
  await findings.keep(current.version, day.text, found);
  return found;
}

function foundFor(compiled: CompiledPlan, { text, span }: Day): readonly Finding[] {
  const known = narrowed.get(compiled);
  if (known?.day === text) return known.found;
  const found = findOverlaps(compiled, span);
  narrowed.set(compiled, { day: text, found });
  return found;
}

function withAccepted(
  all: Omit<FindingsView, 'accepted'>,
  accepted: ReadonlyMap<string, AcceptedFinding>,
): FindingsView {
  const open: PlanFinding[] = [];
  const quiet: PlanFinding[] = [];
  for (const finding of all.open) {
    const known = accepted.get(
      keyOfFinding({ ...finding, promotions: finding.promotions.map(({ id }) => id) }),
    );
    if (known?.about === finding.about) {
      const { by, at, reason } = known;
      quiet.push({ ...finding, accepted: { by, at, reason } });
    } else open.push(finding);
  }
  return { ...all, open, accepted: quiet };
}
