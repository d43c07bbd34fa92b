import { asc, eq } from 'drizzle-orm';
import type { HeldBackStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf } from './plan-version.ts';

type Writer = Parameters<Parameters<Database['transaction']>[0]>[0];

export function heldBackRepository(db: Database): HeldBackStore {
  /** In the promotion's own story, beside the plan. */
  const tell = async (tx: Writer, subject: string, person: string, action: string) =>
    tx.insert(t.auditEntry).values({
      person,
      action,
      subjectKind: 'proposal',
      subject,
      planVersion: await planVersionOf(tx),
    });
  return {
    async all() {
      const rows = await db
        .select({ promotion: t.heldBack.promotion, by: t.person.name, at: t.heldBack.heldAt })
        .from(t.heldBack)
        .innerJoin(t.person, eq(t.person.id, t.heldBack.heldBy))
        .orderBy(asc(t.heldBack.promotion));
      return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
    },
    hold: (promotion, person) =>
      db.transaction(async (tx) => {
        const added = await tx
          .insert(t.heldBack)
          .values({ promotion, heldBy: person })
          .onConflictDoNothing()
          .returning();
        if (added.length > 0) await tell(tx, promotion, person, 'held back from sending');
      }),
    letGo: (promotion, person) =>
      db.transaction(async (tx) => {
        const dropped = await tx.delete(t.heldBack).where(eq(t.heldBack.promotion, promotion)).returning();
        if (dropped.length > 0) await tell(tx, promotion, person, 'let go for sending');
      }),
  };
}
