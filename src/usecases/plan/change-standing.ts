import {
  done,
  failed,
  may,
  type Outcome,
  type Person,
  type StandingChange,
  type StandingEffect,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { isBasketReward } from '../../core/offer/index.ts';
import { type Fault, type PromotionDocument, readPromotion } from '../../core/plan/index.ts';
import { apply, type CompiledPlan } from '../../core/price-book/index.ts';
import { changesAtOnce, isStanding, notTheirs } from '../people/index.ts';
import type {
  BasketCheckStore,
  CurrentPlan,
  PlanBook,
  PromotionSave,
  PromotionStore,
  StoredPromotion,
  WorkRulesStore,
} from '../ports/index.ts';
import { readPromotionInput } from './save-promotion.ts';
import { standingEffect } from './standing-effect.ts';

type Ports = { book: PlanBook; promotions: PromotionStore; rules: WorkRulesStore };

/** What promotions that stand otherwise to each other would do to prices and kept baskets. Saves nothing. */
export async function previewStanding(
  ports: Ports & { checks: BasketCheckStore },
  person: Person,
  changes: readonly StandingChange[],
  now: Instant,
): Promise<Outcome<StandingEffect>> {
  const current = await ports.book.current();
  const planned = await plannedOf(ports, current, person, changes);
  if (!planned.ok) return planned;
  const after = planned.value.reduce<CompiledPlan>(
    (plan, { next }) =>
      apply(plan, {
        kind: 'put-promotion',
        promotion: { ...readPromotion(next, plan.plan.currency), status: next.status },
      }).compiled,
    current.compiled,
  );
  return done({
    ...(await standingEffect(ports.checks, current.compiled, after, now)),
    promotions: planned.value.map(({ next, save }) => ({
      id: next.id,
      name: next.name,
      waits: (save.proposal ?? null) !== null,
    })),
  });
}

/** Writes how promotions stand to each other: all of it, or none. What is approved waits for an approval, where it must. */
export async function changeStanding(
  ports: Ports,
  person: Person,
  changes: readonly StandingChange[],
): Promise<Outcome<{ changed: number; waiting: number }>> {
  const current = await ports.book.current();
  const planned = await plannedOf(ports, current, person, changes);
  if (!planned.ok) return planned;
  const saves = planned.value.map(({ save }) => save);
  const result = await ports.promotions.saveAll(saves, person.id);
  if (result.kind !== 'saved')
    return failed({ kind: 'conflict', code: 'one-saved', id: result.id, undoing: false });
  return done({ changed: saves.length, waiting: saves.filter(({ proposal }) => proposal).length });
}

interface Planned {
  readonly next: PromotionDocument;
  readonly save: PromotionSave;
}

async function plannedOf(
  { promotions, rules }: Ports,
  current: CurrentPlan,
  person: Person,
  changes: readonly StandingChange[],
): Promise<Outcome<readonly Planned[]>> {
  if (!may(person, 'plan') || person.stores !== null) return failed({ kind: 'forbidden' });
  const atOnce = changesAtOnce(person, await rules.current());
  const all = new Map((await promotions.all()).map((stored) => [stored.promotion.id, stored]));
  const planned: Planned[] = [];
  const faults: Fault[] = [];
  for (const [i, change] of changes.entries()) {
    const found = all.get(change.id);
    if (!found) return failed({ kind: 'not-found', what: `promotion ${change.id}` });
    const foreign = notTheirs(person, current.compiled, found.promotion);
    if (foreign)
      faults.push({ ...foreign, path: ['changes', i], what: `“${found.promotion.name}”: ${foreign.what}` });
    const next = standing(found.promotion, change);
    const read = readPromotionInput(next, current.document);
    if (!read.ok && read.failure.kind === 'invalid')
      faults.push(...read.failure.faults.map((fault) => ({ ...fault, path: ['changes', i, ...fault.path] })));
    planned.push({ next, save: saveOf(found, next, change, person, atOnce) });
  }
  return faults.length > 0 ? failed({ kind: 'invalid', faults }) : done(planned);
}

/** The promotion as it stands after a change; what says nothing is not written. */
function standing(
  promotion: PromotionDocument,
  { priority, alone, startsFrom, combinesWith }: StandingChange,
): PromotionDocument {
  const { alone: wasAlone, startsFrom: wasFrom, ...rest } = promotion;
  const isAlone = alone ?? wasAlone ?? false;
  const from = startsFrom ?? wasFrom ?? 'tag';
  const offer =
    combinesWith !== undefined && isBasketReward(rest.offer) ? { ...rest.offer, combinesWith } : rest.offer;
  return {
    ...rest,
    offer,
    ...(priority === undefined ? {} : { priority }),
    ...(isAlone ? { alone: true } : {}),
    ...(from === 'base' ? { startsFrom: 'base' as const } : {}),
  } as PromotionDocument;
}

/** What stands is written beside it, to be approved; what waits already is written as it waits. */
function saveOf(
  { promotion, proposal, revision }: StoredPromotion,
  next: PromotionDocument,
  change: StandingChange,
  person: Person,
  atOnce: boolean,
): PromotionSave {
  if (!isStanding(promotion) || atOnce) return { promotion: next, revision, action: 'standing changed' };
  return {
    promotion,
    revision,
    action: 'standing written',
    proposal: {
      document: proposal?.document ? standing(proposal.document, change) : next,
      writtenBy: person.id,
      submittedBy: null,
      submittedAt: null,
      approvedBy: null,
      returned: proposal?.returned ?? null,
    },
  };
}
