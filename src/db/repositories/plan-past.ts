import { gunzipSync, gzipSync } from 'node:zlib';
import { asc, count, desc, gt, lte, max } from 'drizzle-orm';
import type { PlanDocument } from '../../core/plan/index.ts';
import type { Database, Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { readPlanIn, type StoredPlan } from './load-plan.ts';

/** So many changes are made once more on a snapshot before another is worth its room. */
const STEPS_BETWEEN = 2_000;

/** Keeps the whole plan as the transaction leaves it: what came in whole, or in thousands of rows, cannot be told step by step. */
export async function takeSnapshot(tx: Transaction): Promise<void> {
  const plan = await readPlanIn(tx);
  if (!plan) return;
  const document = gzipSync(JSON.stringify(plan.document));
  await tx.insert(t.planSnapshot).values({ planVersion: plan.version, document }).onConflictDoNothing();
}

/** Takes one where there is none, or the last lies far back. @returns whether it did. */
export function takeSnapshotIfDue(db: Database): Promise<boolean> {
  return db.transaction(
    async (tx) => {
      const [last] = await tx.select({ version: max(t.planSnapshot.planVersion) }).from(t.planSnapshot);
      const since = last?.version ?? null;
      if (since !== null) {
        const [steps] = await tx
          .select({ count: count() })
          .from(t.auditEntry)
          .where(gt(t.auditEntry.planVersion, since));
        if (steps!.count < STEPS_BETWEEN) return false;
      }
      await takeSnapshot(tx);
      return true;
    },
    { isolationLevel: 'repeatable read' },
  );
}

/** The plan's version at a moment; null: no change is on record from then. */
export async function versionAt(db: Database, at: Date): Promise<number | null> {
  const [row] = await db
    .select({ version: max(t.auditEntry.planVersion) })
    .from(t.auditEntry)
    .where(lte(t.auditEntry.at, at));
  return row?.version ?? null;
}

/** The last snapshot that is not later than a version; null: there is none. */
export async function snapshotBefore(db: Database, version: number): Promise<StoredPlan | null> {
  const [row] = await db
    .select({ version: t.planSnapshot.planVersion, document: t.planSnapshot.document })
    .from(t.planSnapshot)
    .where(lte(t.planSnapshot.planVersion, version))
    .orderBy(desc(t.planSnapshot.planVersion))
    .limit(1);
  if (!row) return null;
  return {
    version: row.version,
    document: JSON.parse(gunzipSync(row.document).toString('utf8')) as PlanDocument,
  };
}

/** When the first snapshot was taken: what was before is not on record. */
export async function onRecordSince(db: Database): Promise<Date | null> {
  const [row] = await db
    .select({ at: t.planSnapshot.takenAt })
    .from(t.planSnapshot)
    .orderBy(asc(t.planSnapshot.planVersion))
    .limit(1);
  return row?.at ?? null;
}
