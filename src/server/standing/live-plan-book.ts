import { knownEntries } from '../../core/plan/index.ts';
import { type Database, loadPlan, markOf, type PlanMark, planMark, stepsSince } from '../../db/index.ts';
import type { CurrentPlan, PlanBook } from '../../usecases/ports/index.ts';
import { applied, planOf } from './plan-steps.ts';

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
  // What did not change from one version to the next is not read again.
  const known = knownEntries();
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
    held = {
      plan: changes ? applied(before!.plan, changes, now.version, known) : await readAll(db),
      mark: now,
    };
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
