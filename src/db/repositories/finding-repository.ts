import { and, eq } from 'drizzle-orm';
import type { FindingStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf } from './plan-version.ts';

type Writer = Parameters<Parameters<Database['transaction']>[0]>[0];

export function findingRepository(db: Database): FindingStore {
  /** In the story of each promotion, beside the plan. */
  const tell = async (tx: Writer, promotions: readonly string[], person: string, action: string) => {
    const planVersion = await planVersionOf(tx);
    for (const subject of promotions)
      await tx.insert(t.auditEntry).values({ person, action, subjectKind: 'proposal', subject, planVersion });
  };
  return {
    async found(version, day) {
      const [row] = await db
        .select({ found: t.findings.found })
        .from(t.findings)
        .where(and(eq(t.findings.planVersion, version), eq(t.findings.day, day)));
      return row?.found ?? null;
    },
    keep: (planVersion, day, found) =>
      db.transaction(async (tx) => {
        await tx.delete(t.findings);
        await tx.insert(t.findings).values({ planVersion, day, found }).onConflictDoNothing();
      }),
    async forget() {
      await db.delete(t.findings);
    },
    async accepted() {
      const rows = await db
        .select({
          key: t.acceptedFinding.key,
          about: t.acceptedFinding.about,
          reason: t.acceptedFinding.reason,
          by: t.person.name,
          at: t.acceptedFinding.acceptedAt,
        })
        .from(t.acceptedFinding)
        .innerJoin(t.person, eq(t.person.id, t.acceptedFinding.acceptedBy));
      return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
    },
    accept: (finding, promotions, person) =>
      db.transaction(async (tx) => {
        const values = { ...finding, acceptedBy: person, acceptedAt: new Date() };
        await tx
          .insert(t.acceptedFinding)
          .values(values)
          .onConflictDoUpdate({ target: t.acceptedFinding.key, set: values });
        await tell(tx, promotions, person, 'accepted what the checks found');
      }),
    takeBack: (key, promotions, person) =>
      db.transaction(async (tx) => {
        const gone = await tx.delete(t.acceptedFinding).where(eq(t.acceptedFinding.key, key)).returning();
        if (gone.length > 0) await tell(tx, promotions, person, 'no longer accepts what the checks found');
        return gone.length > 0;
      }),
  };
}
