import { and, asc, desc, eq, gt, inArray } from 'drizzle-orm';
import type { DepartmentRow, Role } from '../../contracts/index.ts';
import type { PeopleStore, StoredPerson } from '../../usecases/ports/index.ts';
import type { Database, Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { notePerson } from './note-person.ts';

export function peopleRepository(db: Database): PeopleStore {
  return {
    all: () => people(db),
    stores: () =>
      db
        .select({ id: t.store.id, name: t.store.name })
        .from(t.store)
        .orderBy(asc(t.store.name), asc(t.store.id)),
    async departments() {
      const nodes = await db
        .select({ id: t.node.id, name: t.node.name, parent: t.node.parent })
        .from(t.node)
        .orderBy(asc(t.node.name), asc(t.node.id));
      const within = new Map<string | null, typeof nodes>();
      for (const node of nodes) {
        const beside = within.get(node.parent);
        if (beside) beside.push(node);
        else within.set(node.parent, [node]);
      }
      const below = (parent: string | null, depth: number): DepartmentRow[] =>
        (within.get(parent) ?? []).flatMap(({ id, name }) => [{ id, name, depth }, ...below(id, depth + 1)]);
      return below(null, 0);
    },
    change: (id, said, by) =>
      db.transaction(async (tx) => {
        const { name, role, costs: seesCosts, stores, goods } = said;
        const before = (await people(tx)).find((one) => one.id === id);
        await tx
          .update(t.person)
          .set({ name, role, seesCosts, goods: goods ? [...goods] : null })
          .where(eq(t.person.id, id));
        await tx.delete(t.personStore).where(eq(t.personStore.person, id));
        if (stores.length > 0)
          await tx.insert(t.personStore).values(stores.map((store) => ({ person: id, store })));
        await notePerson(tx, id, by, before?.role === role ? 'changed' : `made ${role}`, {
          before,
          after: said,
        });
      }),
    end: (id, ended, by) =>
      db.transaction(async (tx) => {
        const before = (await people(tx)).find((one) => one.id === id);
        await tx.update(t.person).set({ endedAt: ended }).where(eq(t.person.id, id));
        if (ended) await tx.delete(t.session).where(eq(t.session.userId, id));
        await notePerson(tx, id, by, ended ? 'let in no more' : 'let in again', {
          before,
          after: { name: before?.name },
        });
      }),
    async sessions(id, now) {
      const rows = await db
        .select()
        .from(t.session)
        .where(and(eq(t.session.userId, id), gt(t.session.expiresAt, now)))
        .orderBy(desc(t.session.updatedAt));
      return rows.map((row) => ({
        ...{ id: row.id, since: row.createdAt.toISOString(), usedAt: row.updatedAt.toISOString() },
        ...{ address: row.ipAddress || null, browser: row.userAgent || null },
      }));
    },
    async endSessions(id, sessions) {
      const gone = await db
        .delete(t.session)
        .where(and(eq(t.session.userId, id), inArray(t.session.id, [...sessions])))
        .returning({ id: t.session.id });
      return gone.length;
    },
    endSecondStep: (id, by) =>
      db.transaction(async (tx) => {
        const before = (await people(tx)).find((one) => one.id === id);
        await tx.update(t.person).set({ twoFactorEnabled: false }).where(eq(t.person.id, id));
        await tx.delete(t.secondStep).where(eq(t.secondStep.userId, id));
        await notePerson(tx, id, by, 'second step taken away', { before, after: { name: before?.name } });
      }),
    signOut: (id, by) =>
      db.transaction(async (tx) => {
        const before = (await people(tx)).find((one) => one.id === id);
        await tx.delete(t.session).where(eq(t.session.userId, id));
        await notePerson(tx, id, by, 'signed out everywhere', { before, after: { name: before?.name } });
      }),
  };
}

async function people(db: Database | Transaction): Promise<StoredPerson[]> {
  const rows = await db
    .select()
    .from(t.person)
    .where(eq(t.person.machine, false))
    .orderBy(asc(t.person.name), asc(t.person.id));
  const stores = await db.select().from(t.personStore).orderBy(asc(t.personStore.store));
  return rows.map(({ id, name, email, role, seesCosts, goods, twoFactorEnabled, endedAt }) => ({
    ...{ id, name, email, role: role as Role, costs: seesCosts },
    stores: stores.filter(({ person }) => person === id).map(({ store }) => store),
    goods,
    secondStep: twoFactorEnabled,
    endedAt: endedAt?.toISOString() ?? null,
  }));
}
