import { and, asc, desc, eq, gt, inArray, isNull, lt, sql } from 'drizzle-orm';
import type { CodeBatch, CodeDeed, CodeStore, FreshCode } from '../../usecases/ports/index.ts';
import type { Database, Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { tellServers } from './channels.ts';
import { planVersionOf } from './plan-version.ts';

/** How the trail tells that somebody took a list. */
const LIST_TAKEN = 'list of codes taken';

type Row = typeof t.codeBatch.$inferSelect;

/** Milliseconds after which wrong codes are forgotten. */
const DAY = 24 * 60 * 60_000;

export function codeRepository(db: Database): CodeStore {
  return {
    async batches(promotion) {
      const rows = await db
        .select({
          batch: t.codeBatch,
          maker: t.person.name,
          used: sql<string>`(select count(*) from ${t.useTaken} u where u.batch = ${t.codeBatch.id} and not u.over)`,
          worth: sql<string>`(select coalesce(sum(u.worth), 0) from ${t.useTaken} u where u.batch = ${t.codeBatch.id})`,
          withdrawn: sql<string>`(select count(*) from ${t.batchCode} c where c.batch = ${t.codeBatch.id} and c.withdrawn)`,
        })
        .from(t.codeBatch)
        .leftJoin(t.person, eq(t.person.id, t.codeBatch.madeBy))
        .where(promotion === null ? undefined : eq(t.codeBatch.promotion, promotion))
        .orderBy(desc(t.codeBatch.id));
      const taken = await takenOf(db, promotion);
      return rows.map(({ batch, maker, used, worth, withdrawn }) => ({
        ...batchOf(batch),
        taken: taken.filter((one) => one.batch === batch.id),
        ...{ maker, used: Number(used), worth: Number(worth), withdrawn: Number(withdrawn) },
      }));
    },
    async batch(id) {
      const [row] = await db.select().from(t.codeBatch).where(eq(t.codeBatch.id, id));
      return row ? batchOf(row) : null;
    },
    begin: (wanted, now, deed) =>
      db.transaction(async (tx) => {
        const [row] = await tx
          .insert(t.codeBatch)
          .values({ ...wanted, madeBy: deed.person ?? '', madeAt: now })
          .returning();
        await note(tx, batchOf(row!), deed);
        await tellServers(tx, 'codes', row!.id);
        return row!.id;
      }),
    fill: (most, make, seal) =>
      db.transaction(async (tx) => {
        const [row] = await tx
          .select()
          .from(t.codeBatch)
          .where(and(lt(t.codeBatch.made, t.codeBatch.wanted), isNull(t.codeBatch.withdrawnAt)))
          .orderBy(asc(t.codeBatch.id))
          .limit(1)
          .for('update', { skipLocked: true });
        if (!row) return false;
        const codes = await drawn(tx, batchOf(row), Math.min(most, row.wanted - row.made), make);
        if (codes.length > 0)
          await tx.insert(t.codeList).values({
            ...{ batch: row.id, part: row.parts + 1 },
            sealed: Buffer.from(seal(codes.map(({ code }) => code).join('\n'))),
          });
        const made = row.made + codes.length;
        // Where no other code is to be had there will be none: two that asked at once may want more than there are.
        const wanted = codes.length > 0 ? row.wanted : made;
        await tx
          .update(t.codeBatch)
          .set({ made, wanted, parts: row.parts + 1 })
          .where(eq(t.codeBatch.id, row.id));
        return true;
      }),
    list: (batch, person) =>
      db.transaction(async (tx) => {
        const parts = await tx
          .select({ sealed: t.codeList.sealed })
          .from(t.codeList)
          .where(eq(t.codeList.batch, batch.id))
          .orderBy(asc(t.codeList.part));
        await note(tx, batch, { person, action: LIST_TAKEN });
        return parts.map(({ sealed }) => sealed);
      }),
    async withdrawnOf(batch) {
      const rows = await db
        .select({ hash: t.batchCode.hash })
        .from(t.batchCode)
        .where(and(eq(t.batchCode.batch, batch), eq(t.batchCode.withdrawn, true)));
      return rows.map(({ hash }) => hash);
    },
    throwListAway: (batch, deed) =>
      db.transaction(async (tx) => {
        await tx.update(t.codeBatch).set({ listed: false }).where(eq(t.codeBatch.id, batch.id));
        await tx.delete(t.codeList).where(eq(t.codeList.batch, batch.id));
        await note(tx, batch, deed);
      }),
    moveEnd: (batch, toDay, deed) =>
      db.transaction(async (tx) => {
        await tx.update(t.codeBatch).set({ toDay }).where(eq(t.codeBatch.id, batch.id));
        await note(tx, { ...batch, toDay }, deed);
      }),
    withdraw: (batch, now, deed) =>
      db.transaction(async (tx) => {
        await tx
          .update(t.codeBatch)
          .set({ withdrawnAt: now })
          .where(and(eq(t.codeBatch.id, batch.id), isNull(t.codeBatch.withdrawnAt)));
        await note(tx, batch, deed);
      }),
    withdrawOne: (hash, batch, deed) =>
      db.transaction(async (tx) => {
        await tx
          .update(t.batchCode)
          .set({ withdrawn: true })
          .where(eq(t.batchCode.hash, Buffer.from(hash)));
        await note(tx, batch, deed);
      }),
    async known(hashes) {
      if (hashes.length === 0) return new Map();
      const rows = await db
        .select({ hash: t.batchCode.hash, withdrawn: t.batchCode.withdrawn, batch: t.codeBatch })
        .from(t.batchCode)
        .innerJoin(t.codeBatch, eq(t.codeBatch.id, t.batchCode.batch))
        .where(
          inArray(
            t.batchCode.hash,
            hashes.map((hash) => Buffer.from(hash)),
          ),
        );
      return new Map(
        rows.map(({ hash, withdrawn, batch }) => [
          hash.toString('hex'),
          { withdrawn, batch: batchOf(batch) },
        ]),
      );
    },
    async countTries(who, wrong, { free, each }, now) {
      // So many at once nobody has in their hands.
      if (wrong > free) return (wrong - free) * each;
      // In one statement: a hundred tries at once are counted one by one.
      const regained = sql`least(${free}, ${t.codeTry.left} + extract(epoch from ${now}::timestamptz - ${t.codeTry.at}) * 1000 / ${each})`;
      const anew = sql`${t.codeTry.since} < ${new Date(now.getTime() - DAY)}`;
      const counted = await db
        .insert(t.codeTry)
        .values({ who, left: free - wrong, at: now, wrong, since: now })
        .onConflictDoUpdate({
          target: t.codeTry.who,
          set: {
            left: sql`${regained} - ${wrong}`,
            at: now,
            wrong: sql`case when ${anew} then ${wrong} else ${t.codeTry.wrong} + ${wrong} end`,
            since: sql`case when ${anew} then ${now} else ${t.codeTry.since} end`,
          },
          setWhere: sql`${regained} >= ${wrong}`,
        })
        .returning({ who: t.codeTry.who });
      if (counted.length > 0) return 0;
      // It is not looked at, but it was tried.
      const [row] = await db
        .update(t.codeTry)
        .set({ wrong: sql`${t.codeTry.wrong} + ${wrong}` })
        .where(eq(t.codeTry.who, who))
        .returning();
      const left = row ? row.left + (now.getTime() - row.at.getTime()) / each : 0;
      return Math.max(1, Math.ceil((wrong - left) * each));
    },
    async right(who, count, { free }) {
      await db
        .update(t.codeTry)
        .set({
          left: sql`least(${free}, ${t.codeTry.left} + ${count})`,
          wrong: sql`greatest(0, ${t.codeTry.wrong} - ${count})`,
        })
        .where(eq(t.codeTry.who, who));
    },
    triedMuch: (more, now) =>
      db
        .select({ who: t.codeTry.who, wrong: t.codeTry.wrong })
        .from(t.codeTry)
        .where(and(gt(t.codeTry.wrong, more), gt(t.codeTry.since, new Date(now.getTime() - DAY))))
        .orderBy(desc(t.codeTry.wrong), asc(t.codeTry.who)),
  };
}

/** So often it is drawn anew where all that was drawn exists already. */
const MOST_ROUNDS = 50;

/** Draws codes and writes down those that no batch has yet. */
async function drawn(
  tx: Transaction,
  batch: CodeBatch,
  count: number,
  make: (batch: CodeBatch, count: number) => readonly FreshCode[],
): Promise<readonly FreshCode[]> {
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const codes = make(batch, count);
    const hashes = codes.map(({ hash }) => Buffer.from(hash));
    // In one order: two servers that draw the same wait for each other in no circle.
    const { rows } = await tx.execute<{ hash: Buffer }>(sql`
      insert into ${t.batchCode} (hash, batch)
      select hash, ${batch.id} from unnest(${sql.param(hashes)}::bytea[]) as hash order by hash
      on conflict do nothing returning hash`);
    const written = new Set(rows.map(({ hash }) => hash.toString('hex')));
    const fresh = codes.filter(({ hash }) => written.has(Buffer.from(hash).toString('hex')));
    if (fresh.length > 0) return fresh;
  }
  return [];
}

/** Who took the lists of which batches, the first first. */
async function takenOf(
  db: Database,
  promotion: string | null,
): Promise<{ batch: number; by: string | null; at: Date }[]> {
  const { at, action, subjectKind, subject, after, id } = t.auditEntry;
  const rows = await db
    .select({ at, by: t.person.name, batch: sql<number>`(${after} ->> 'batch')::int` })
    .from(t.auditEntry)
    .leftJoin(t.person, eq(t.person.id, t.auditEntry.person))
    .where(
      and(
        eq(subjectKind, 'codes'),
        eq(action, LIST_TAKEN),
        promotion === null ? undefined : eq(subject, promotion),
      ),
    )
    .orderBy(asc(id));
  return rows;
}

function batchOf({ parts: _, ...row }: Row): CodeBatch {
  return row;
}

/** Codes change no plan: the trail tells of them beside it, and of the promotion that they are of. */
async function note(
  tx: Transaction,
  { id, promotion, wanted, made, pattern, fromDay, toDay, test }: CodeBatch,
  { person, action }: CodeDeed,
): Promise<void> {
  await tx.insert(t.auditEntry).values({
    ...{ person, action, subjectKind: 'codes', subject: promotion },
    after: { batch: id, wanted, made, pattern, fromDay, toDay, test },
    planVersion: await planVersionOf(tx),
  });
}
