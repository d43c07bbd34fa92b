import { gunzipSync, gzipSync } from 'node:zlib';
import { and, asc, count, desc, eq, inArray, lte, max, type SQL, sql } from 'drizzle-orm';
import type { PriceFileEnvelope } from '../../contracts/index.ts';
import type { SendingStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { tellServers } from './channels.ts';
import { planVersionOf } from './plan-version.ts';
import { tellPrograms } from './tell-programs.ts';

/** Servers that look at one database notice within this time that it was restored, each for itself. */
const NOTICED_TOGETHER = 5 * 60_000;

/** What is remembered of a terminal. */
const EVENTS_KEPT = 200;

export function sendingRepository(db: Database): SendingStore {
  return {
    send: ({ person, planVersion, reason, promotions }, make) =>
      db.transaction(async (tx) => {
        const [row] = await tx
          .insert(t.rollout)
          .values({ createdBy: person, planVersion })
          .returning({ id: t.rollout.id });
        const number = row!.id;
        const stores: string[] = [];
        for await (const files of make(number)) {
          const rows = files.map(({ change, envelope, ...file }) => ({
            ...{ ...file, number, rollout: number, envelope: Buffer.from(envelope) },
            change: change && Buffer.from(change.packed),
            changesFrom: change?.from ?? null,
            changesSha256: change?.fromSha256 ?? null,
          }));
          await tx.insert(t.priceFile).values(rows);
          stores.push(...files.map(({ store }) => store));
        }
        await tx.insert(t.auditEntry).values({
          ...{ person, planVersion, action: reason, subjectKind: 'sending', subject: String(number) },
          after: { stores, promotions },
        });
        const at = new Date().toISOString();
        await tellPrograms(tx, { event: 'prices.sent', at, number, stores, by: person });
        await tellServers(tx, 'files', number);
        return { rollout: number, stores: stores.length };
      }),
    async newestNumber(store) {
      const [row] = await db
        .select({ number: max(t.priceFile.number) })
        .from(t.priceFile)
        .where(eq(t.priceFile.store, store));
      return row?.number ?? null;
    },
    async newestNumbers() {
      // For each store its newest row alone: there are as many as there were rollouts.
      const { rows } = await db.execute<{ store: string; number: string }>(sql`
        select s.id as store, f.number from ${t.store} s, lateral (
          select number from ${t.priceFile} where store = s.id order by number desc limit 1
        ) f`);
      return new Map(rows.map(({ store, number }) => [store, Number(number)]));
    },
    async envelope(store, number) {
      const [row] = await db
        .select()
        .from(t.priceFile)
        .where(and(eq(t.priceFile.store, store), eq(t.priceFile.number, number)));
      return row ? (row.envelope ?? madeOf(row)) : null;
    },
    async change(store, number) {
      const { change: bytes, changesFrom: from, changesSha256: fromSha256 } = t.priceFile;
      const [row] = await db
        .select({ packed: bytes, from, fromSha256 })
        .from(t.priceFile)
        .where(and(eq(t.priceFile.store, store), eq(t.priceFile.number, number)));
      return row?.packed && row.from !== null && row.fromSha256 !== null
        ? { packed: row.packed, from: row.from, fromSha256: row.fromSha256 }
        : null;
    },
    async newestFiles(stores) {
      const { store, number, sha256, createdAt, manifest } = t.priceFile;
      const rows = await db
        .selectDistinctOn([store], { store, number, sha256, createdAt, manifest })
        .from(t.priceFile)
        .where(inArray(store, [...stores]))
        .orderBy(asc(store), desc(number));
      return new Map(
        rows.flatMap(({ store: id, manifest: known, createdAt: at, ...row }) =>
          known ? [[id, { ...row, createdAt: at.toISOString(), manifest: known }]] : [],
        ),
      );
    },
    async newestDates() {
      const { rows } = await db.execute<{ store: string; at: string }>(sql`
        select s.id as store, f.created_at as at from ${t.store} s, lateral (
          select created_at from ${t.priceFile} where store = s.id order by number desc limit 1
        ) f`);
      return new Map(rows.map(({ store, at }) => [store, new Date(at).toISOString()]));
    },
    async sentFile(store, number) {
      const [row] = await db
        .select()
        .from(t.priceFile)
        .where(and(eq(t.priceFile.store, store), eq(t.priceFile.number, number)));
      if (!row?.manifest) return null;
      const { sha256, createdAt, manifest } = row;
      return { number, sha256, createdAt: createdAt.toISOString(), manifest };
    },
    terminals: () => terminals(db),
    terminal: async (id) => (await terminals(db, eq(t.terminal.id, id)))[0] ?? null,
    async storesOfRollout(number) {
      const rows = await db
        .select({ store: t.priceFile.store })
        .from(t.priceFile)
        .where(eq(t.priceFile.rollout, number));
      return rows.map(({ store }) => store);
    },
    async saidBy(terminal, by) {
      const { at, holds, problem, clockSkew, id } = t.terminalEvent;
      const [row] = await db
        .select({ at, holds, problem, clockSkew })
        .from(t.terminalEvent)
        .where(and(eq(t.terminalEvent.terminal, terminal), lte(at, by)))
        .orderBy(desc(id))
        .limit(1);
      return row ? { ...row, at: row.at.toISOString() } : null;
    },
    async rollout(number) {
      const [row] = await db
        .select({
          at: t.rollout.createdAt,
          by: sql<string>`coalesce(${t.person.name}, ${t.rollout.createdBy})`,
        })
        .from(t.rollout)
        .leftJoin(t.person, eq(t.person.id, t.rollout.createdBy))
        .where(eq(t.rollout.id, number));
      return row ? { at: row.at.toISOString(), by: row.by } : null;
    },
    async story(terminal) {
      const { at, holds, problem, clockSkew, id } = t.terminalEvent;
      const rows = await db
        .select({ at, holds, problem, clockSkew })
        .from(t.terminalEvent)
        .where(eq(t.terminalEvent.terminal, terminal))
        .orderBy(desc(id))
        .limit(EVENTS_KEPT);
      return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
    },
    async newestRollout() {
      const [row] = await db.select({ id: max(t.rollout.id) }).from(t.rollout);
      return row?.id ?? null;
    },
    async rollouts() {
      const rows = await db
        .select({
          id: t.rollout.id,
          createdAt: t.rollout.createdAt,
          createdBy: sql<string>`coalesce(${t.person.name}, ${t.rollout.createdBy})`,
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
      }));
    },
    async terminalKeys() {
      const rows = await db
        .select({
          ...{ id: t.terminal.id, store: t.terminal.store, hash: t.terminal.keyHash },
          whole: t.terminal.wholeAskedAt,
        })
        .from(t.terminal);
      return new Map(
        rows.flatMap(({ hash, whole, ...terminal }) =>
          hash ? [[hash, { ...terminal, wantsWhole: whole !== null }]] : [],
        ),
      );
    },
    giveKey: (terminal, hash, person, now) =>
      db.transaction(async (tx) => {
        const set = { keyHash: hash, keyChangedAt: now };
        await tx.update(t.terminal).set(set).where(eq(t.terminal.id, terminal));
        await tx.insert(t.auditEntry).values({
          ...{ person, action: hash === null ? 'took its key' : 'gave it a new key' },
          ...{ subjectKind: 'terminal key', subject: terminal },
          planVersion: await planVersionOf(tx),
        });
        await tellServers(tx, 'keys', terminal);
      }),
    async askWhole(terminal, now) {
      await db.update(t.terminal).set({ wholeAskedAt: now }).where(eq(t.terminal.id, terminal));
      await tellServers(db, 'keys', '');
      await tellServers(db, 'wake', terminal);
    },
    async gaveWhole(terminal) {
      await db.update(t.terminal).set({ wholeAskedAt: null }).where(eq(t.terminal.id, terminal));
      await tellServers(db, 'keys', '');
    },
    async wake(terminal) {
      await tellServers(db, 'wake', terminal);
    },
    renewEpoch: (epoch, lost, now) =>
      db.transaction(async (tx) => {
        const [chain] = await tx.select().from(t.chain).for('update');
        const noticed = chain?.restoredAt && now.getTime() - chain.restoredAt.getTime() < NOTICED_TOGETHER;
        if (!chain || noticed || epoch <= chain.epoch) return false;
        await tx.update(t.chain).set({ epoch, restoredAt: now, lostNumber: lost });
        await tx.execute(sql`select setval(pg_get_serial_sequence('rollout', 'id'), ${epoch}::bigint)`);
        return true;
      }),
    async lastRestore() {
      const [row] = await db.select({ at: t.chain.restoredAt, lost: t.chain.lostNumber }).from(t.chain);
      return row?.at ? { at: row.at.toISOString(), lost: row.lost } : null;
    },
    async report(terminal, state) {
      const { holds, problem } = state;
      const row = {
        ...state,
        heldSince: state.heldSince === null ? null : new Date(state.heldSince),
        lastSeen: new Date(),
      };
      const [before] = await db.select().from(t.terminalState).where(eq(t.terminalState.terminal, terminal));
      await db
        .insert(t.terminalState)
        .values({ terminal, ...row })
        .onConflictDoUpdate({ target: t.terminalState.terminal, set: row });
      const sameClock = minutesOff(before?.clockSkew ?? 0) === minutesOff(state.clockSkew);
      if (before?.holds === holds && before.problem === problem && sameClock) return;
      await db.insert(t.terminalEvent).values({ terminal, holds, problem, clockSkew: state.clockSkew });
      await tellOfTerminal(db, terminal, before, state);
      await forgetOldEvents(db, terminal);
      await tellServers(db, 'terminals', terminal);
    },
  };
}

/** That it holds another file, or has trouble that it had not. */
async function tellOfTerminal(
  db: Database,
  terminal: string,
  before: { readonly holds: number | null; readonly problem: string | null } | undefined,
  { holds, problem }: { readonly holds: number | null; readonly problem: string | null },
): Promise<void> {
  const at = new Date().toISOString();
  if (holds !== null && before?.holds !== holds)
    await tellPrograms(db, { event: 'terminal.confirmed', at, terminal, number: holds });
  if (problem !== null && before?.problem !== problem)
    await tellPrograms(db, { event: 'terminal.refused', at, terminal, problem, number: holds });
}

const minutesOff = (skew: number): number => Math.round(skew / 60_000);

/**
 * One that takes turns between two states must not fill the database. When it took each price file is kept for good:
 * what it rang is worked out from that.
 */
const forgetOldEvents = (db: Database, terminal: string) =>
  db.execute(sql`
    delete from ${t.terminalEvent} old where terminal = ${terminal} and id <= (
      select id from ${t.terminalEvent} where terminal = ${terminal} order by id desc offset ${EVENTS_KEPT} limit 1
    ) and exists (
      select from ${t.terminalEvent} earlier
      where earlier.terminal = old.terminal and earlier.id < old.id and earlier.holds is not distinct from old.holds
    )`);

/** The envelope of a file that was made when there were none. */
const madeOf = ({ store, number, content, signature }: typeof t.priceFile.$inferSelect): Buffer | null =>
  content &&
  gzipSync(
    JSON.stringify({
      store,
      number,
      content: gunzipSync(content).toString('utf8'),
      signature,
    } satisfies PriceFileEnvelope),
  );

async function terminals(db: Database, which?: SQL): ReturnType<SendingStore['terminals']> {
  // For each store its newest file alone: there are as many as there were rollouts.
  const newest = db
    .select({ number: t.priceFile.number })
    .from(t.priceFile)
    .where(eq(t.priceFile.store, t.terminal.store))
    .orderBy(desc(t.priceFile.number))
    .limit(1)
    .as('newest');
  const rows = await db
    .select({ terminal: t.terminal, state: t.terminalState, wanted: newest.number })
    .from(t.terminal)
    .leftJoin(t.terminalState, eq(t.terminalState.terminal, t.terminal.id))
    .leftJoinLateral(newest, sql`true`)
    .where(which)
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
    hasKey: terminal.keyHash !== null,
    keyChangedAt: terminal.keyChangedAt?.toISOString() ?? null,
    wholeAskedAt: terminal.wholeAskedAt?.toISOString() ?? null,
  }));
}
