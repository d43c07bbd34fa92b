import { tableOf, withEntries } from '../contracts/table/index.ts';
import { type PlanDocument, type PromotionDocument, readPlan, readPromotion } from '../core/plan/index.ts';
import { apply, compile } from '../core/price-book/index.ts';
import { type Database, loadPlan, type PlanStep, planVersion, stepsSince } from '../db/index.ts';
import type { CurrentPlan, PlanBook } from '../usecases/plan-store.ts';

/**
 * The plan in memory, checked against the database's version at every question. What was saved is applied
 * step by step; a whole plan that came in is read anew. Nothing here outlives what PostgreSQL has.
 */
export function livePlanBook(db: Database): PlanBook {
  let held: CurrentPlan | null = null;
  let turn: Promise<unknown> = Promise.resolve();

  async function catchUp(): Promise<CurrentPlan> {
    const version = await planVersion(db);
    if (held && held.version === version) return held;
    const changes = held && version !== null ? await stepsSince(db, held.version) : null;
    held = held && changes ? applied(held, changes, version!) : await readAll(db);
    return held;
  }

  return {
    current() {
      // One after another: a question never joins a look at the version that began before it was asked.
      const next = turn.then(catchUp, catchUp);
      turn = next;
      return next;
    },
  };
}

async function readAll(db: Database): Promise<CurrentPlan> {
  const stored = await loadPlan(db);
  if (!stored) throw new Error('the database holds no plan yet');
  return planOf(stored.document, stored.version);
}

const planOf = (document: PlanDocument, version: number): CurrentPlan => ({
  version,
  document,
  compiled: compile(readPlan(document)),
});

function applied(held: CurrentPlan, steps: readonly PlanStep[], version: number): CurrentPlan {
  return steps.reduce<CurrentPlan>(
    (current, step) =>
      step.kind === 'promotion'
        ? withPromotion(current, step.promotion, version)
        : planOf(withEntries(current.document, step.change, tableOf(step.change.table).keyOf), version),
    { ...held, version },
  );
}

function withPromotion(current: CurrentPlan, promotion: PromotionDocument, version: number): CurrentPlan {
  const read = readPromotion(promotion, current.compiled.plan.currency);
  const { compiled } = apply(current.compiled, { kind: 'put-promotion', promotion: read });
  const others = current.document.promotions.filter(({ id }) => id !== promotion.id);
  return { version, compiled, document: { ...current.document, promotions: [...others, promotion] } };
}
