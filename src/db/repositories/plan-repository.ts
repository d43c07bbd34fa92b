import { and, asc, gt } from 'drizzle-orm';
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

/**
 * The promotions saved after a version, where nothing but promotions changed since.
 * @returns null where the whole plan must be read again.
 */
export async function promotionsSince(
  db: Database,
  version: number,
): Promise<readonly PromotionDocument[] | null> {
  const entries = await db
    .select({ kind: t.auditEntry.subjectKind, after: t.auditEntry.after })
    .from(t.auditEntry)
    .where(and(gt(t.auditEntry.planVersion, version)))
    .orderBy(asc(t.auditEntry.planVersion));
  return entries.every(({ kind, after }) => kind === 'promotion' && after !== null)
    ? entries.map(({ after }) => after as PromotionDocument)
    : null;
}
