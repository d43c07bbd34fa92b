import { type Plan, readPlan, readPromotion } from '../core/plan/index.ts';
import { apply, compile } from '../core/price-book/index.ts';
import { type Database, loadPlan, planVersion, promotionsSince } from '../db/index.ts';
import type { CurrentPlan, PlanBook } from '../usecases/plan-store.ts';

/**
 * The plan in memory, checked against the database's version at every question. Saved promotions are applied one by
 * one; anything else is read anew. Nothing here outlives what PostgreSQL has.
 */
export function livePlanBook(db: Database): PlanBook {
  let held: CurrentPlan | null = null;
  let turn: Promise<unknown> = Promise.resolve();

  async function catchUp(): Promise<CurrentPlan> {
    const version = await planVersion(db);
    if (held && held.version === version) return held;
    const changes = held && version !== null ? await promotionsSince(db, held.version) : null;
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
  const plan: Plan = readPlan(stored.document);
  return { version: stored.version, document: stored.document, compiled: compile(plan) };
}

function applied(
  held: CurrentPlan,
  changes: NonNullable<Awaited<ReturnType<typeof promotionsSince>>>,
  version: number,
): CurrentPlan {
  return changes.reduce<CurrentPlan>(
    (current, promotion) => {
      const read = readPromotion(promotion, current.compiled.plan.currency);
      const { compiled } = apply(current.compiled, { kind: 'put-promotion', promotion: read });
      const others = current.document.promotions.filter(({ id }) => id !== promotion.id);
      return { version, compiled, document: { ...current.document, promotions: [...others, promotion] } };
    },
    { ...held, version },
  );
}
