import { desc, eq } from 'drizzle-orm';
import type { WaitingEntries, WaitingEntryStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf } from './plan-version.ts';

export function waitingEntryRepository(db: Database): WaitingEntryStore {
  const rows = () =>
    db
      .select({ waiting: t.waitingEntries, writer: t.person.name })
      .from(t.waitingEntries)
      .leftJoin(t.person, eq(t.person.id, t.waitingEntries.writtenBy));
  return {
    all: async () => (await rows().orderBy(desc(t.waitingEntries.id))).map(read),
    async find(id) {
      const [row] = await rows().where(eq(t.waitingEntries.id, id));
      return row ? read(row) : null;
    },
    hold: (waiting) =>
      db.transaction(async (tx) => {
        const [row] = await tx
          .insert(t.waitingEntries)
          .values({ ...waiting, standing: [...waiting.standing] })
          .returning({ id: t.waitingEntries.id });
        await tx.insert(t.auditEntry).values({
          person: waiting.writtenBy,
          action: 'change written',
          subjectKind: 'waiting entries',
          subject: waiting.change.table,
          after: waiting.change,
          planVersion: await planVersionOf(tx),
        });
        return row!.id;
      }),
    async sendBack(id, { by, reason }) {
      const changed = await db
        .update(t.waitingEntries)
        .set({ returnedBy: by, reason })
        .where(eq(t.waitingEntries.id, id))
        .returning({ id: t.waitingEntries.id });
      return changed.length > 0;
    },
    async drop(id) {
      const gone = await db
        .delete(t.waitingEntries)
        .where(eq(t.waitingEntries.id, id))
        .returning({ id: t.waitingEntries.id });
      return gone.length > 0;
    },
  };
}

function read({
  waiting: { writtenAt, returnedBy, reason, ...waiting },
  writer,
}: {
  waiting: typeof t.waitingEntries.$inferSelect;
  writer: string | null;
}): WaitingEntries {
  return {
    ...waiting,
    writer,
    writtenAt: writtenAt.toISOString(),
    returned: returnedBy === null ? null : { by: returnedBy, reason: reason ?? '' },
  };
}
