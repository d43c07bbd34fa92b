import { and, asc, desc, eq, ne } from 'drizzle-orm';
import type { DraftStore, MatchingStore, TemplateStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

export function draftRepository(db: Database): DraftStore {
  const of = (person: string, key: string) => and(eq(t.keptDraft.person, person), eq(t.keptDraft.key, key));
  const kept = ({ key, draft, revision, updatedAt }: typeof t.keptDraft.$inferSelect) => ({
    key,
    draft,
    revision,
    updatedAt: updatedAt.toISOString(),
  });
  return {
    async keep(person, key, draft, revision) {
      const row = { draft, revision, updatedAt: new Date() };
      await db
        .insert(t.keptDraft)
        .values({ person, key, ...row })
        .onConflictDoUpdate({ target: [t.keptDraft.person, t.keptDraft.key], set: row });
    },
    othersThan: (person, key) =>
      db.$count(t.keptDraft, and(eq(t.keptDraft.person, person), ne(t.keptDraft.key, key))),
    async find(person, key) {
      const [row] = await db.select().from(t.keptDraft).where(of(person, key));
      return row ? kept(row) : null;
    },
    async all(person) {
      const rows = await db
        .select()
        .from(t.keptDraft)
        .where(eq(t.keptDraft.person, person))
        .orderBy(desc(t.keptDraft.updatedAt));
      return rows.map(kept);
    },
    async drop(person, key) {
      await db.delete(t.keptDraft).where(of(person, key));
    },
  };
}

export function templateRepository(db: Database): TemplateStore {
  return {
    all: () =>
      db
        .select({ id: t.template.id, name: t.template.name, promotion: t.template.promotion })
        .from(t.template)
        .orderBy(asc(t.template.name)),
    othersThan: (name) => db.$count(t.template, ne(t.template.name, name)),
    async put(name, promotion, createdBy) {
      const [row] = await db
        .insert(t.template)
        .values({ name, promotion, createdBy })
        .onConflictDoUpdate({ target: t.template.name, set: { promotion, createdBy } })
        .returning({ id: t.template.id });
      return row!.id;
    },
    async drop(id) {
      const gone = await db.delete(t.template).where(eq(t.template.id, id)).returning({ id: t.template.id });
      return gone.length > 0;
    },
  };
}

export function matchingRepository(db: Database): MatchingStore {
  return {
    async find(person, table, heads) {
      const [row] = await db
        .select({ matching: t.columnMatching.matching })
        .from(t.columnMatching)
        .where(
          and(
            eq(t.columnMatching.person, person),
            eq(t.columnMatching.table, table),
            eq(t.columnMatching.heads, [...heads]),
          ),
        );
      return row?.matching ?? null;
    },
    async keep(person, table, heads, matching) {
      await db
        .insert(t.columnMatching)
        .values({ person, table, heads: [...heads], matching })
        .onConflictDoUpdate({
          target: [t.columnMatching.person, t.columnMatching.table, t.columnMatching.heads],
          set: { matching },
        });
    },
  };
}
