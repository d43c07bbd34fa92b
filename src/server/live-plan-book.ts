import { tableOf, withEntries } from '../contracts/table/index.ts';
import {
  checkWhen,
  type Fault,
  type PlanDocument,
  type PromotionDocument,
  readPlan,
  readPromotion,
} from '../core/plan/index.ts';
import { apply, compile } from '../core/price-book/index.ts';
import {
  type Database,
  loadPlan,
  markOf,
  type PlanMark,
  type PlanStep,
  planMark,
  stepsSince,
} from '../db/index.ts';
import type { CurrentPlan, PlanBook } from '../usecases/plan-store.ts';
import { log } from './log.ts';

interface Held {
  readonly plan: CurrentPlan;
  readonly mark: PlanMark;
}

/** The database has no chain yet: there is nothing to answer from. */
export class NoChain extends Error {}

/**
 * The plan in memory, checked against the database's version at every question. What was saved is applied
 * step by step; a whole plan that came in is read anew, and so is one of a database that is not what it was: a backup
 * that was played back may have come to the same version in another way. Nothing here outlives what PostgreSQL has.
 */
export function livePlanBook(db: Database, onWentBack: () => void = () => {}): PlanBook {
  let held: Held | null = null;
  let turn: Promise<unknown> = Promise.resolve();

  async function catchUp(): Promise<CurrentPlan> {
    const now = await planMark(db);
    if (!now) throw new NoChain('the database holds no chain yet');
    if (held && held.mark.version === now.version && held.mark.mark === now.mark) return held.plan;
    const before = held;
    const goesOn =
      before &&
      now.version > before.mark.version &&
      (await markOf(db, before.mark.version)) === before.mark.mark;
    const changes = goesOn ? await stepsSince(db, before.mark.version) : null;
    held = { plan: changes ? applied(before!.plan, changes, now.version) : await readAll(db), mark: now };
    if (before && !goesOn) onWentBack();
    return held.plan;
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
  if (!stored) throw new NoChain('the database holds no chain yet');
  return planOf(stored.document, stored.version);
}

function planOf(document: PlanDocument, version: number): CurrentPlan {
  const sound = { ...document, promotions: document.promotions.map(sounded) };
  return { version, document: sound, compiled: compile(readPlan(sound)) };
}

/** What was kept before it was refused, and can never count, goes to no terminal: each would refuse the whole file. */
function sounded(promotion: PromotionDocument): PromotionDocument {
  const faults: Fault[] = [];
  checkWhen(promotion.when, ['when'], (path, what, wanted) => faults.push({ path, what, wanted }));
  if (faults.length === 0 || promotion.status !== 'approved') return promotion;
  log.warn({ promotion: promotion.id, faults }, 'a kept promotion can no longer be read, and is left out');
  return { ...promotion, status: 'paused' };
}

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
