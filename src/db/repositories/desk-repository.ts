import { and, asc, eq, gt, lte, ne } from 'drizzle-orm';
import type { DeskStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

export function deskRepository(db: Database): DeskStore {
  const { promotion, person, seenAt } = t.atDesk;
  return {
    async here(of, who, { now, since }) {
      await db.delete(t.atDesk).where(lte(seenAt, since));
      await db
        .insert(t.atDesk)
        .values({ promotion: of, person: who, seenAt: now })
        .onConflictDoUpdate({ target: [promotion, person], set: { seenAt: now } });
      const others = await db
        .select({ name: t.person.name })
        .from(t.atDesk)
        .innerJoin(t.person, eq(t.person.id, person))
        .where(and(eq(promotion, of), ne(person, who), gt(seenAt, since)))
        .orderBy(asc(t.person.name));
      return others.map(({ name }) => name);
    },
    async leave(of, who) {
      await db.delete(t.atDesk).where(and(eq(promotion, of), eq(person, who)));
    },
  };
}
