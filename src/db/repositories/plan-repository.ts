import { and, asc, gt, lte, notInArray, sql } from 'drizzle-orm';
import type { EntryChange } from '../../contracts/table/index.ts';
import type { PlanDocument, PromotionDocument } from '../../core/plan/index.ts';
import type { ChainSettings, PlanWriter } from '../../usecases/ports/index.ts';
import type { Database, Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { takeSnapshot } from './plan-past.ts';
import { PlanMovedOn, raisePlanVersion } from './plan-version.ts';
import { writePlan } from './write-plan.ts';

export function planRepository(db: Database): PlanWriter {
  return {
    begin: (document, person) =>
      db.transaction(async (tx) => {
        // Of two who begin at once the second finds what the first made.
        await tx.execute(sql`lock table ${t.chain} in exclusive mode`);
        if ((await tx.select({ version: t.chain.planVersion }).from(t.chain)).length > 0) return false;
        await write(tx, document, person, 'begun');
        return true;
      }),
    replace: (document, person, expected) =>
      db
        .transaction(async (tx) => {
          const [row] = await tx.select({ version: t.chain.planVersion }).from(t.chain).for('update');
          if (expected !== undefined && row?.version !== expected) throw new PlanMovedOn();
          await write(tx, document, person, 'imported');
          return true;
        })
        .catch((error: unknown) => {
          if (error instanceof PlanMovedOn) return false;
          throw error;
        }),
  };
}

async function write(tx: Transaction, document: PlanDocument, person: string, action: string): Promise<void> {
  await writePlan(tx, document);
  const planVersion = await raisePlanVersion(tx);
  await tx.insert(t.auditEntry).values({ person, action, subjectKind: 'plan', subject: 'plan', planVersion });
  await takeSnapshot(tx);
}

export async function planVersion(db: Database): Promise<number | null> {
  const [row] = await db.select({ version: t.chain.planVersion }).from(t.chain);
  return row?.version ?? null;
}

/** A version, and what it was that made it: two databases may come to one version in different ways. */
export interface PlanMark {
  readonly version: number;
  readonly mark: string;
}

/** The version that stands; null where there is no chain. */
export async function planMark(db: Database): Promise<PlanMark | null> {
  const { rows } = await db.execute<{ version: string; mark: string | null }>(sql`
    select c.plan_version as version, ${markColumn} as mark from ${t.chain} c, lateral (
      select a.id, a.at from ${t.auditEntry} a where a.plan_version = c.plan_version order by a.id limit 1
    ) entry`);
  if (rows[0]) return { version: Number(rows[0].version), mark: rows[0].mark ?? '' };
  // A chain of which no change is on record.
  const version = await planVersion(db);
  return version === null ? null : { version, mark: '' };
}

/** What made a version, as the database has it; empty where it knows of no change. */
export async function markOf(db: Database, version: number): Promise<string> {
  const { rows } = await db.execute<{ mark: string }>(sql`
    select ${markColumn} as mark from (
      select a.id, a.at from ${t.auditEntry} a where a.plan_version = ${version} order by a.id limit 1
    ) entry`);
  return rows[0]?.mark ?? '';
}

/** To the microsecond when the change was made, and which one it was. */
const markColumn = sql`entry.id || ' ' || extract(epoch from entry.at)::text`;

/** What is on record and changes no plan. */
const BESIDE_THE_PLAN = [
  'proposal',
  'work rules',
  'chain words',
  'waiting entries',
  'signing key',
  'terminal key',
  'person',
  'sending',
  'codes',
  'shopper',
];

/** One change of the plan, as it can be made once more on a plan in memory. */
export type PlanStep =
  | { readonly kind: 'promotion'; readonly promotion: PromotionDocument }
  | { readonly kind: 'entries'; readonly change: EntryChange }
  | { readonly kind: 'chain'; readonly settings: ChainSettings };

/**
 * What was changed after a version, one by one.
 * @param to the last version whose change is told; absent: all of them.
 * @returns null where the whole plan must be read again.
 */
export async function stepsSince(
  db: Database,
  version: number,
  to?: number,
): Promise<readonly PlanStep[] | null> {
  const entries = await db
    .select({ kind: t.auditEntry.subjectKind, table: t.auditEntry.subject, after: t.auditEntry.after })
    .from(t.auditEntry)
    .where(
      and(
        gt(t.auditEntry.planVersion, version),
        to === undefined ? undefined : lte(t.auditEntry.planVersion, to),
        notInArray(t.auditEntry.subjectKind, BESIDE_THE_PLAN),
      ),
    )
    .orderBy(asc(t.auditEntry.planVersion), asc(t.auditEntry.id));
  const steps = entries.map(({ kind, table, after }): PlanStep | null => {
    if (after === null) return null;
    if (kind === 'promotion') return { kind, promotion: after as PromotionDocument };
    if (kind === 'chain') return { kind, settings: after as ChainSettings };
    return kind === 'entries' ? { kind, change: { table, ...after } as EntryChange } : null;
  });
  return steps.every((step) => step !== null) ? steps : null;
}
