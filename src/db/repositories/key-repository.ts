import { randomUUID } from 'node:crypto';
import { and, asc, eq, isNull } from 'drizzle-orm';
import type { KeyScope, Role } from '../../contracts/index.ts';
import type { KeyStore } from '../../usecases/ports/index.ts';
import type { Database, Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { notePerson } from './note-person.ts';

/** Nobody receives letters there (RFC 2606). */
const NOWHERE = 'program.invalid';

/** Who is behind a key. */
export interface KeyOwner {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly costs: boolean;
  readonly stores: readonly string[] | null;
  readonly scopes: readonly KeyScope[];
}

export function keyRepository(db: Database): KeyStore {
  return {
    async all() {
      const rows = await db
        .select({ key: t.apiKey, name: t.person.name, costs: t.person.seesCosts })
        .from(t.apiKey)
        .innerJoin(t.person, eq(t.person.id, t.apiKey.person))
        .where(isNull(t.person.endedAt))
        .orderBy(asc(t.person.name), asc(t.person.id));
      const stores = await db.select().from(t.personStore).orderBy(asc(t.personStore.store));
      return rows.map(({ key, name, costs }) => ({
        ...{ id: key.person, name, scopes: key.scopes as KeyScope[], costs },
        stores: stores.filter(({ person }) => person === key.person).map(({ store }) => store),
        madeAt: key.madeAt.toISOString(),
        usedAt: key.usedAt?.toISOString() ?? null,
        endsAt: key.endsAt?.toISOString() ?? null,
      }));
    },
    put: ({ name, role, costs, stores }, key, by) =>
      db.transaction(async (tx) => {
        const id = `key-${randomUUID()}`;
        const row = { id, name, role, seesCosts: costs, email: `${id}@${NOWHERE}`, machine: true };
        await tx.insert(t.person).values(row);
        if (stores.length > 0)
          await tx.insert(t.personStore).values(stores.map((store) => ({ person: id, store })));
        await tx.insert(t.apiKey).values({ ...key, scopes: [...key.scopes], person: id });
        const after = { name, scopes: key.scopes, costs, stores, until: key.endsAt };
        await notePerson(tx, id, by, 'key made', { before: undefined, after });
        return id;
      }),
    replace: (id, hash, by) =>
      ifThere(db, id, async (tx, name) => {
        const anew = { hash, madeAt: new Date(), usedAt: null };
        await tx.update(t.apiKey).set(anew).where(eq(t.apiKey.person, id));
        await notePerson(tx, id, by, 'key replaced', { before: { name }, after: { name } });
      }),
    take: (id, at, by) =>
      ifThere(db, id, async (tx, name) => {
        await tx.update(t.person).set({ endedAt: at }).where(eq(t.person.id, id));
        await notePerson(tx, id, by, 'key taken', { before: { name }, after: { name } });
      }),
  };
}

const ifThere = (
  db: Database,
  id: string,
  work: (tx: Transaction, name: string) => Promise<void>,
): Promise<boolean> =>
  db.transaction(async (tx) => {
    const [found] = await tx
      .select({ name: t.person.name })
      .from(t.person)
      .where(and(eq(t.person.id, id), eq(t.person.machine, true), isNull(t.person.endedAt)))
      .for('update');
    if (found) await work(tx, found.name);
    return found !== undefined;
  });

/** A use is written down so often, in milliseconds: who asks a hundred times a second writes no hundred rows. */
const USE_NOTED_EVERY = 60_000;

/** Who is behind the hash of a key that is good now; null: nobody. */
export async function keyOwner(db: Database, hash: string, now: Date): Promise<KeyOwner | null> {
  const [found] = await db
    .select({ key: t.apiKey, person: t.person })
    .from(t.apiKey)
    .innerJoin(t.person, eq(t.person.id, t.apiKey.person))
    .where(and(eq(t.apiKey.hash, hash), isNull(t.person.endedAt)));
  if (!found || (found.key.endsAt && found.key.endsAt <= now)) return null;
  const { id, name, email, role, seesCosts } = found.person;
  if (now.getTime() - (found.key.usedAt?.getTime() ?? 0) >= USE_NOTED_EVERY)
    await db.update(t.apiKey).set({ usedAt: now }).where(eq(t.apiKey.person, id));
  const stores =
    role === 'store' ? await db.select().from(t.personStore).where(eq(t.personStore.person, id)) : null;
  return {
    ...{ id, name, email, role: role as Role, costs: seesCosts },
    stores: stores?.map(({ store }) => store) ?? null,
    scopes: found.key.scopes as KeyScope[],
  };
}
