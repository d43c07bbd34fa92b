import { and, eq, isNull } from 'drizzle-orm';
import type { BeginningStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

/** Among what the sign-in package keeps to be verified, under a name of ours. */
const CODE = 'first-administrator';
/** It is made anew at each start; one that was noted down long ago opens nothing. */
const GOOD_FOR = 7 * 86_400_000;

export const beginningRepository = (db: Database): BeginningStore => ({
  async needsAdministrator(demo) {
    const [found] = await db
      .select({ id: t.person.id })
      .from(t.person)
      .where(
        and(
          eq(t.person.role, 'administrator'),
          isNull(t.person.endedAt),
          demo ? undefined : eq(t.person.demo, false),
        ),
      )
      .limit(1);
    return found === undefined;
  },
  setCode: (value) =>
    db.transaction(async (tx) => {
      await tx.delete(t.verification).where(eq(t.verification.identifier, CODE));
      const expiresAt = new Date(Date.now() + GOOD_FOR);
      await tx.insert(t.verification).values({ id: CODE, identifier: CODE, value, expiresAt });
    }),
  async takeCode(value) {
    const taken = await db
      .delete(t.verification)
      .where(and(eq(t.verification.identifier, CODE), eq(t.verification.value, value)))
      .returning({ expiresAt: t.verification.expiresAt });
    return taken.some(({ expiresAt }) => expiresAt.getTime() > Date.now());
  },
});
