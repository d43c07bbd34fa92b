import { and, asc, gt } from 'drizzle-orm';
import type { EntryChange } from '../../contracts/table/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import type { PlanWriter } from '../../usecases/plan-store.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { raisePlanVersion } from './plan-version.ts';
import { writePlan } from './write-plan.ts';

export function planRepository(db: Database): PlanWriter {
  return {
    replace: (document, person) =>
      db.transaction(async (tx) => {
        await writePlan(tx, document);
        const planVersion = await raisePlanVersion(tx);
        await tx
          .insert(t.auditEntry)
          .values({ person, action: 'imported', subjectKind: 'plan', subject: 'plan', planVersion });
      }),
  };
}

export async function planVersion(db: Database): Promise<number | null> {
  const [row] = await db.select({ version: t.chain.planVersion }).from(t.chain);
  return row?.version ?? null;
}

/** One change of the plan, as it can be made once more on a plan in memory. */
export type PlanStep =
  | { readonly kind: 'promotion'; readonly promotion: PromotionDocument }
  | { readonly kind: 'entries'; readonly change: EntryChange };

/**
 * What was changed after a version, one by one.
 * @returns null where the whole plan must be read again.
 */
export async function stepsSince(db: Database, version: number): Promise<readonly PlanStep[] | null> {
  const entries = await db
    .select({ kind: t.auditEntry.subjectKind, table: t.auditEntry.subject, after: t.auditEntry.after })
    .from(t.auditEntry)
    .where(and(gt(t.auditEntry.planVersion, version)))
    .orderBy(asc(t.auditEntry.planVersion), asc(t.auditEntry.id));
  const steps = entries.map(({ kind, table, after }): PlanStep | null => {
    if (after === null) return null;
    if (kind === 'promotion') return { kind, promotion: after as PromotionDocument };
    return kind === 'entries' ? { kind, change: { table, ...after } as EntryChange } : null;
  });
  return steps.every((step) => step !== null) ? steps : null;
}
