import { gunzipSync, gzipSync } from 'node:zlib';
import { and, asc, count, desc, eq, max, ne, sql } from 'drizzle-orm';
import type { SendingStore } from '../../usecases/sending-store.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

/** A file is up to some hundred kilobytes, packed: a few of them a statement. */
const FILES_A_STATEMENT = 12;

export function sendingRepository(db: Database): SendingStore {
  const unpack = (content: Buffer) => gunzipSync(content).toString('utf8');
  return {
    send: (person, planVersion, make) =>
      db.transaction(async (tx) => {
        const [row] = await tx
          .insert(t.rollout)
          .values({ createdBy: person, planVersion })
          .returning({ id: t.rollout.id });
        const number = row!.id;
        const files = make(number);
        for (let i = 0; i < files.length; i += FILES_A_STATEMENT) {
          const rows = files.slice(i, i + FILES_A_STATEMENT).map((file) => ({
            ...file,
            number,
            rollout: number,
            content: gzipSync(file.content, { level: 1 }),
          }));
          await tx.insert(t.priceFile).values(rows);
        }
        return number;
      }),
    async newest(store, have) {
      // Every terminal asks every few seconds: the content is read only where there is something new.
      const newestNumber = db
        .select({ number: max(t.priceFile.number) })
        .from(t.priceFile)
        .where(eq(t.priceFile.store, store));
      const [row] = await db
        .select()
        .from(t.priceFile)
        .where(
          and(
            eq(t.priceFile.store, store),
            eq(t.priceFile.number, newestNumber),
            have === null ? undefined : ne(t.priceFile.number, have),
          ),
        );
      return row ? { number: row.number, content: unpack(row.content), signature: row.signature } : null;
    },
    async newestManifests() {
      const rows = await db
        .selectDistinctOn([t.priceFile.store], { store: t.priceFile.store, manifest: t.priceFile.manifest })
        .from(t.priceFile)
        .orderBy(asc(t.priceFile.store), desc(t.priceFile.number));
      return new Map(rows.flatMap(({ store, manifest }) => (manifest ? [[store, manifest]] : [])));
    },
    terminals: () => terminals(db),
    async newestRollout() {
      const [row] = await db.select({ id: max(t.rollout.id) }).from(t.rollout);
      return row?.id ?? null;
    },
    async rollouts() {
      const rows = await db
        .select({
          id: t.rollout.id,
          createdAt: t.rollout.createdAt,
          createdBy: t.person.name,
          stores: count(t.priceFile.store),
        })
        .from(t.rollout)
        .leftJoin(t.person, eq(t.person.id, t.rollout.createdBy))
        .leftJoin(t.priceFile, eq(t.priceFile.rollout, t.rollout.id))
        .groupBy(t.rollout.id, t.person.name)
        .orderBy(desc(t.rollout.id))
        .limit(20);
      return rows.map((row) => ({
        ...row,
        createdAt: row.createdAt.toISOString(),
        createdBy: row.createdBy ?? 'set-up',
      }));
    },
    async terminalByKeyHash(hash) {
      const [row] = await db
        .select({ id: t.terminal.id, store: t.terminal.store })
        .from(t.terminal)
        .where(eq(t.terminal.keyHash, hash));
      return row ?? null;
    },
    async report(terminal, state) {
      const row = {
        ...state,
        heldSince: state.heldSince === null ? null : new Date(state.heldSince),
        lastSeen: new Date(),
      };
      await db
        .insert(t.terminalState)
        .values({ terminal, ...row })
        .onConflictDoUpdate({ target: t.terminalState.terminal, set: row });
    },
  };
}

async function terminals(db: Database): ReturnType<SendingStore['terminals']> {
  const wanted = db.$with('wanted').as(
    db
      .select({ store: t.priceFile.store, number: max(t.priceFile.number).as('number') })
      .from(t.priceFile)
      .groupBy(t.priceFile.store),
  );
  const rows = await db
    .with(wanted)
    .select({ terminal: t.terminal, state: t.terminalState, wanted: sql<number | null>`${wanted.number}` })
    .from(t.terminal)
    .leftJoin(t.terminalState, eq(t.terminalState.terminal, t.terminal.id))
    .leftJoin(wanted, eq(wanted.store, t.terminal.store))
    .orderBy(asc(t.terminal.id));
  return rows.map(({ terminal, state, wanted: number }) => ({
    terminal: terminal.id,
    store: terminal.store,
    tags: terminal.tags,
    holds: state?.holds ?? null,
    heldSince: state?.heldSince?.toISOString() ?? null,
    lastSeen: state?.lastSeen.toISOString() ?? null,
    clockSkew: state?.clockSkew ?? null,
    problem: state?.problem ?? null,
    wanted: number,
  }));
}
