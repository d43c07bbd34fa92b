import { and, eq } from 'drizzle-orm';
import type { LoopholeStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

export const loopholeRepository = (db: Database): LoopholeStore => ({
  async found(version, day) {
    const [row] = await db
      .select({
        found: t.loopholes.found,
        searches: t.loopholes.searches,
        isWhole: t.loopholes.isWhole,
      })
      .from(t.loopholes)
      .where(and(eq(t.loopholes.planVersion, version), eq(t.loopholes.day, day)));
    return row ?? null;
  },
  keep: (planVersion, day, searched) =>
    db.transaction(async (tx) => {
      await tx.delete(t.loopholes);
      await tx
        .insert(t.loopholes)
        .values({ planVersion, day, ...searched })
        .onConflictDoNothing();
    }),
  async forget() {
    await db.delete(t.loopholes);
  },
});
