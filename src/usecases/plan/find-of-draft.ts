import { type DraftFindings, done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import { DAY, type Instant, type Span } from '../../core/calendar/index.ts';
import { findOf, type PlanBeside, planBeside } from '../../core/overlaps/index.ts';
import { type Promotion, readPromotion } from '../../core/plan/index.ts';
import { apply, type CompiledPlan } from '../../core/price-book/index.ts';
import { findingsView, isOfCosts } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { readPromotionInput } from './save-promotion.ts';

/** A reduction is remembered for thirty days, before and after. */
const BESIDE = 32 * DAY;
/** How far ahead something without an end is looked at. */
const AHEAD = 400 * DAY;

/** What would be wrong if a draft were approved as it stands: with it, and with others because of it. */
export async function findOfDraft(
  ports: { book: PlanBook },
  person: Person,
  input: { promotion: unknown },
  now: Instant,
): Promise<Outcome<DraftFindings>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const { compiled, document } = current;
  const read = readPromotionInput(input.promotion, document);
  if (!read.ok) return read;
  const promotion = readPromotion({ ...read.value, status: 'approved' }, compiled.plan.currency);
  const edited = apply(compiled, { kind: 'put-promotion', promotion }).compiled;
  const found = findOf(besideOf(compiled, spanOf(promotion, compiled, now)), edited, promotion.id);
  const promotions = [...document.promotions.filter(({ id }) => id !== promotion.id), read.value];
  const { open, currency } = findingsView(
    { ...current, compiled: edited, document: { ...document, promotions } },
    found.filter(({ code }) => person.costs || !isOfCosts(code)),
  );
  return done({ currency, findings: open });
}

/** From today on, as long as it counts, and as long as that is remembered. */
function spanOf({ when }: Promotion, { plan, clockOf }: CompiledPlan, now: Instant): Span {
  const clock = clockOf(plan.stores[0] ?? { timeZone: 'UTC' });
  const today = (Math.floor(now / DAY) * DAY) as Instant;
  const from = Math.max(today, clock.toInstant(when.from) - BESIDE);
  const to = when.to === null ? from + AHEAD : Math.min(clock.toInstant(when.to) + BESIDE, from + AHEAD);
  return { from: from as Instant, to: Math.max(to, from + DAY) as Instant };
}

/** While one promotion is written the plan around it, and mostly its days, stay. */
const kept = new WeakMap<CompiledPlan, { readonly key: string; readonly beside: PlanBeside }>();

function besideOf(compiled: CompiledPlan, span: Span): PlanBeside {
  const key = JSON.stringify(span);
  const known = kept.get(compiled);
  if (known?.key === key) return known.beside;
  const beside = planBeside(compiled, span);
  kept.set(compiled, { key, beside });
  return beside;
}
