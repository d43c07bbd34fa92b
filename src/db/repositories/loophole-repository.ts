import { and, eq, lt } from 'drizzle-orm';
import type { LoopholeStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

/** Milliseconds for which a search is kept that nobody asks for. */
const KEPT_FOR = 14 * 86_400_000;

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
  async searched(key) {
    const [row] = await db
      .update(t.loopholeSearch)
      .set({ askedAt: new Date() })
      .where(eq(t.loopholeSearch.key, key))
      .returning({ found: t.loopholeSearch.found });
    return row?.found ?? null;
  },
  async keepSearch(key, found) {
    await db.delete(t.loopholeSearch).where(lt(t.loopholeSearch.askedAt, new Date(Date.now() - KEPT_FOR)));
    await db.insert(t.loopholeSearch).values({ key, found }).onConflictDoNothing();
  },
  async forget() {
    await db.delete(t.loopholes);
    await db.delete(t.loopholeSearch);
  },
});
