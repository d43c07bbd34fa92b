import { and, between, desc, eq, inArray, ne, sql } from 'drizzle-orm';
import type { ShelfStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

/** A statement holds so many values at most. */
const AT_ONCE = 5_000;

export function shelfRepository(db: Database): ShelfStore {
  return {
    async hung(store, from, to) {
      const rows = await db
        .selectDistinctOn([t.hungTag.sku], {
          ...{ sku: t.hungTag.sku, day: t.hungTag.day, edition: t.hungTag.edition },
          ...{ by: t.person.name, at: t.hungTag.hungAt },
        })
        .from(t.hungTag)
        .innerJoin(t.person, eq(t.person.id, t.hungTag.hungBy))
        .where(and(eq(t.hungTag.store, store), between(t.hungTag.day, from, to)))
        .orderBy(t.hungTag.sku, desc(t.hungTag.day));
      return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
    },
    hang: ({ store, day }, tags, person) =>
      db.transaction(async (tx) => {
        for (let from = 0; from < tags.length; from += AT_ONCE)
          await tx
            .insert(t.hungTag)
            .values(tags.slice(from, from + AT_ONCE).map((tag) => ({ store, day, ...tag, hungBy: person })))
            .onConflictDoUpdate({
              target: [t.hungTag.store, t.hungTag.day, t.hungTag.sku],
              set: { edition: sql`excluded.edition`, hungBy: person, hungAt: new Date() },
              setWhere: ne(t.hungTag.edition, sql`excluded.edition`),
            });
      }),
    async takeBack({ store, day }, skus) {
      await db
        .delete(t.hungTag)
        .where(and(eq(t.hungTag.store, store), eq(t.hungTag.day, day), inArray(t.hungTag.sku, [...skus])));
    },
  };
}
