import type { Instant } from '../../core/calendar/index.ts';
import {
  type Database,
  markOf,
  onRecordSince,
  snapshotBefore,
  stepsSince,
  takeSnapshotIfDue,
  versionAt,
} from '../../db/index.ts';
import type { CurrentPlan, PlanPast } from '../../usecases/ports/index.ts';
import { planOf, withSteps } from './plan-steps.ts';

/** As many past plans are kept at hand: somebody who looks back looks more than once. */
const KEPT = 2;

/**
 * The plan as it was, made of the last snapshot before and what is on record since: never of the plan that stands.
 * Both the moment's version and what made it are asked of the database, so that a backup that was played back is
 * seen here too.
 */
export function planPast(db: Database): PlanPast {
  const kept = new Map<string, Promise<CurrentPlan | null>>();
  return {
    async known(at) {
      const version = await versionAt(db, new Date(at));
      if (version === null) return null;
      const name = `${version} ${await markOf(db, version)}`;
      const found = kept.get(name) ?? made(db, version);
      kept.delete(name);
      kept.set(name, found);
      // What is not on record yet may be put there.
      found.then(
        (plan) => plan ?? kept.delete(name),
        () => kept.delete(name),
      );
      for (const oldest of kept.keys()) if (kept.size > KEPT) kept.delete(oldest);
      return found;
    },
    async since() {
      const at = await onRecordSince(db);
      return at === null ? null : (at.getTime() as Instant);
    },
    keep: () => takeSnapshotIfDue(db),
  };
}

async function made(db: Database, version: number): Promise<CurrentPlan | null> {
  const base = await snapshotBefore(db, version);
  const steps = base && (await stepsSince(db, base.version, version));
  return steps ? planOf(withSteps(base.document, steps), version) : null;
}
