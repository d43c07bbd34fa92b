import { joinChanges, tableOf, withEntries } from '../../contracts/table/index.ts';
import {
  checkWhen,
  type Fault,
  type KnownEntries,
  type PlanDocument,
  type PromotionDocument,
  readPlan,
  readPromotion,
} from '../../core/plan/index.ts';
import { apply, compile } from '../../core/price-book/index.ts';
import type { PlanStep } from '../../db/index.ts';
import type { CurrentPlan } from '../../usecases/ports/index.ts';
import { log } from '../machine/log.ts';

/** The plan ready to answer. @param known what need not be read again. */
export function planOf(document: PlanDocument, version: number, known?: KnownEntries): CurrentPlan {
  const sound = { ...document, promotions: document.promotions.map(soundedOnce) };
  return { version, document: sound, compiled: compile(readPlan(sound, known)) };
}

const soundOnes = new WeakMap<PromotionDocument, PromotionDocument>();

/** Looked at once, however often the stockroom changes beside it. */
function soundedOnce(promotion: PromotionDocument): PromotionDocument {
  const found = soundOnes.get(promotion) ?? sounded(promotion);
  soundOnes.set(promotion, found);
  return found;
}

/** What was kept before it was refused, and can never count, goes to no terminal: each would refuse the whole file. */
function sounded(promotion: PromotionDocument): PromotionDocument {
  const faults: Fault[] = [];
  checkWhen(promotion.when, ['when'], (path, what, wanted) => faults.push({ path, what, wanted }));
  if (faults.length === 0 || promotion.status !== 'approved') return promotion;
  log.warn({ promotion: promotion.id, faults }, 'a kept promotion can no longer be read, and is left out');
  return { ...promotion, status: 'paused' };
}

/**
 * What was saved since, once more on the plan in memory. Promotions are put into what is compiled; where rows of the
 * stockroom changed, all of it is written into the document first and compiled once, however many changes there were.
 */
export function applied(
  held: CurrentPlan,
  steps: readonly PlanStep[],
  version: number,
  known: KnownEntries,
): CurrentPlan {
  if (steps.every((step) => step.kind === 'promotion'))
    return steps.reduce<CurrentPlan>((current, { promotion }) => withPromotion(current, promotion, version), {
      ...held,
      version,
    });
  return planOf(withSteps(held.document, steps), version, known);
}

/** A plan document after changes of it. */
export const withSteps = (document: PlanDocument, steps: readonly PlanStep[]): PlanDocument =>
  joinSteps(steps).reduce(withStep, document);

/** Promotions, rows of the stockroom and what is said of the chain do not meet: rows may be joined across the others. */
function joinSteps(steps: readonly PlanStep[]): PlanStep[] {
  const rows = steps.flatMap((step) => (step.kind === 'entries' ? [step.change] : []));
  return [
    ...steps.filter(({ kind }) => kind !== 'entries'),
    ...joinChanges(rows, (table, entry) => tableOf(table).keyOf(entry)).map(
      (change): PlanStep => ({ kind: 'entries', change }),
    ),
  ];
}

function withStep(document: PlanDocument, step: PlanStep): PlanDocument {
  switch (step.kind) {
    case 'promotion':
      return { ...document, promotions: promotionsWith(document, step.promotion) };
    case 'entries':
      return withEntries(document, step.change, tableOf(step.change.table).keyOf);
    case 'chain':
      return { ...document, ...step.settings };
  }
}

const promotionsWith = (
  { promotions }: Pick<PlanDocument, 'promotions'>,
  promotion: PromotionDocument,
): PromotionDocument[] => [...promotions.filter(({ id }) => id !== promotion.id), promotion];

function withPromotion(current: CurrentPlan, promotion: PromotionDocument, version: number): CurrentPlan {
  const read = readPromotion(promotion, current.compiled.plan.currency);
  const { compiled } = apply(current.compiled, { kind: 'put-promotion', promotion: read });
  const promotions = promotionsWith(current.document, promotion);
  return { version, compiled, document: { ...current.document, promotions } };
}
