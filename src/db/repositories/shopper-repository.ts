import { asc, count, desc, eq, gt, inArray, sql, TransactionRollbackError } from 'drizzle-orm';
import type { FreshCard, KnownPerson, PersonDetails, ShopperStore } from '../../usecases/ports/index.ts';
import type { Database, Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { bringPeopleIn, EVERYBODY } from './bring-people-in.ts';
import { planVersionOf } from './plan-version.ts';

/** People whom the chain knows beside the plan. */
export function shopperRepository(db: Database): ShopperStore {
  const people = async (where: ReturnType<typeof eq>, most = 1) =>
    wholeOf(db, await peopleWhere(db, where, most));
  return {
    named: (text, most) =>
      people(
        sql`${t.shopperPerson.name} ilike ${`%${text.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`}`,
        most,
      ),
    async people(ids) {
      const found: KnownPerson[] = [];
      for (const some of inStretches(ids))
        found.push(...(await people(inArray(t.shopperPerson.id, [...some]), some.length)));
      return found;
    },
    person: async (id) => (await people(eq(t.shopperPerson.id, id)))[0] ?? null,
    ofEmail: (email) => people(sql`lower(${t.shopperPerson.email}) = lower(${email})`, 2),
    async byCard(hash) {
      const [card] = await db
        .select({ person: t.shopperCard.person })
        .from(t.shopperCard)
        .where(eq(t.shopperCard.hash, Buffer.from(hash)));
      return card ? this.person(card.person) : null;
    },
    async holders(hashes) {
      const found = new Map<string, string>();
      for (const some of inStretches(hashes)) {
        const rows = await db
          .select({ hash: t.shopperCard.hash, person: t.shopperCard.person })
          .from(t.shopperCard)
          .where(
            inArray(
              t.shopperCard.hash,
              some.map((hash) => Buffer.from(hash)),
            ),
          );
        for (const { hash, person } of rows) found.set(Buffer.from(hash).toString('hex'), person);
      }
      return found;
    },
    async withEmails(emails) {
      const found = new Map<string, string[]>();
      for (const some of inStretches(emails)) {
        const rows = await db
          .select({ id: t.shopperPerson.id, email: sql<string>`lower(${t.shopperPerson.email})` })
          .from(t.shopperPerson)
          .where(
            sql`lower(${t.shopperPerson.email}) = any(${sql.param(some.map((one) => one.toLowerCase()))})`,
          );
        for (const { id, email } of rows) found.set(email, [...(found.get(email) ?? []), id]);
      }
      return found;
    },
    async all(after, most) {
      const rows = await db
        .select()
        .from(t.shopperPerson)
        .where(gt(t.shopperPerson.id, after))
        .orderBy(asc(t.shopperPerson.id))
        .limit(most);
      return wholeOf(db, rows);
    },
    takenOut: (by) =>
      db.transaction((tx) => note(tx, EVERYBODY, by, 'taken out as a file', { before: null, after: null })),
    bringIn: (people, by, now) =>
      db.transaction((tx) => bringPeopleIn(tx, people, by, now)).catch(falseWhereRolledBack),
    async counts() {
      const [all] = await db.select({ count: count() }).from(t.shopperPerson);
      const groups = await db
        .select({ group: t.personGroup.group, count: count() })
        .from(t.personGroup)
        .groupBy(t.personGroup.group);
      return { all: all!.count, byGroup: new Map(groups.map((row) => [row.group, row.count])) };
    },
    async newNumbers(count) {
      const { rows } = await db.execute<{ number: string }>(
        sql`select nextval('shopper_number') as number from generate_series(1, ${count}::int)`,
      );
      return rows.map(({ number }) => String(number));
    },
    add: (id, { name, email, groups }, cards, by, now) =>
      db
        .transaction(async (tx) => {
          await tx.insert(t.shopperPerson).values({ id, name, email, since: now });
          for (const card of cards) if (!(await give(tx, id, card))) return tx.rollback();
          await join(tx, id, groups, now);
          await note(tx, id, by, 'added', { before: null, after: { groups, cards: cards.length } });
          return true;
        })
        .catch(falseWhereRolledBack),
    change: (id, { name, email, groups }, by, now) =>
      db.transaction(async (tx) => {
        await tx.update(t.shopperPerson).set({ name, email }).where(eq(t.shopperPerson.id, id));
        const before = await groupsOf(tx, id);
        await tx
          .delete(t.personGroup)
          .where(
            sql`${t.personGroup.person} = ${id} and ${t.personGroup.group} <> all(${sql.param([...groups])})`,
          );
        await join(tx, id, groups, now);
        // What somebody is called has no place in the trail, which forgets nothing.
        await note(tx, id, by, 'changed', { before: { groups: before }, after: { groups } });
      }),
    giveCard: (id, card, by) =>
      db.transaction(async (tx) => {
        if (!(await give(tx, id, card))) return false;
        await note(tx, id, by, 'given a card', { before: null, after: null });
        return true;
      }),
    takeCards: (id, by) =>
      db.transaction(async (tx) => {
        await tx.delete(t.shopperCard).where(eq(t.shopperCard.person, id));
        await note(tx, id, by, 'cards taken', { before: null, after: null });
      }),
    closed: (order) =>
      db.transaction(async (tx) => {
        const known = await tx
          .select({ id: t.shopperPerson.id })
          .from(t.shopperPerson)
          .where(eq(t.shopperPerson.id, order.person))
          .for('update');
        if (known.length === 0) return;
        const fresh = await tx.insert(t.shopperOrder).values(order).onConflictDoNothing().returning();
        if (fresh.length === 0) return;
        await tx
          .update(t.shopperPerson)
          .set({
            orders: sql`${t.shopperPerson.orders} + 1`,
            spent: sql`${t.shopperPerson.spent} + ${order.paid}`,
          })
          .where(eq(t.shopperPerson.id, order.person));
      }),
    orders: (id, most) =>
      db
        .select()
        .from(t.shopperOrder)
        .where(eq(t.shopperOrder.person, id))
        .orderBy(desc(t.shopperOrder.at), asc(t.shopperOrder.basket))
        .limit(most),
    wipe: ({ id, email }, by) =>
      db.transaction(async (tx) => {
        await tx
          .delete(t.joinRequest)
          .where(
            email === null
              ? eq(t.joinRequest.person, id)
              : sql`${t.joinRequest.person} = ${id} or lower(${t.joinRequest.email}) = lower(${email})`,
          );
        if (email !== null) await tx.delete(t.letter).where(sql`lower(${t.letter.to}) = lower(${email})`);
        await tx.delete(t.shopperPerson).where(eq(t.shopperPerson.id, id));
        await forgetUses(tx, id);
        await note(tx, id, by, 'wiped', { before: null, after: null });
      }),
  };
}

const peopleWhere = (db: Database, where: ReturnType<typeof eq>, most: number) =>
  db
    .select()
    .from(t.shopperPerson)
    .where(where)
    .orderBy(asc(sql`lower(${t.shopperPerson.name})`), asc(t.shopperPerson.id))
    .limit(most);

/** With their groups and cards, each read once for all of them. */
async function wholeOf(
  db: Database,
  rows: readonly (typeof t.shopperPerson.$inferSelect)[],
): Promise<KnownPerson[]> {
  if (rows.length === 0) return [];
  const ids = rows.map(({ id }) => id);
  const groups = await db
    .select()
    .from(t.personGroup)
    .where(inArray(t.personGroup.person, ids))
    .orderBy(asc(t.personGroup.group));
  const cards = await db
    .select({ person: t.shopperCard.person, lastDigits: t.shopperCard.lastDigits })
    .from(t.shopperCard)
    .where(inArray(t.shopperCard.person, ids))
    .orderBy(asc(t.shopperCard.lastDigits));
  const own = <T extends { readonly person: string }>(all: readonly T[]) => {
    const byPerson = new Map<string, T[]>();
    for (const one of all) byPerson.set(one.person, [...(byPerson.get(one.person) ?? []), one]);
    return (id: string) => byPerson.get(id) ?? [];
  };
  const [groupsOfPerson, cardsOf] = [own(groups), own(cards)];
  return rows.map((row) => ({
    ...row,
    groups: groupsOfPerson(row.id).map(({ group }) => group),
    cards: cardsOf(row.id).map(({ lastDigits }) => lastDigits),
  }));
}

/** Of many values only so many are asked about in one question. */
const STRETCH = 5_000;

function* inStretches<T>(all: readonly T[]): Generator<readonly T[]> {
  for (let from = 0; from < all.length; from += STRETCH) yield all.slice(from, from + STRETCH);
}

async function groupsOf(tx: Transaction, person: string): Promise<string[]> {
  const rows = await tx
    .select({ group: t.personGroup.group })
    .from(t.personGroup)
    .where(eq(t.personGroup.person, person))
    .orderBy(asc(t.personGroup.group));
  return rows.map(({ group }) => group);
}

async function join(
  tx: Transaction,
  person: string,
  groups: PersonDetails['groups'],
  since: Date,
): Promise<void> {
  if (groups.length === 0) return;
  const rows = groups.map((group) => ({ person, group, since }));
  await tx.insert(t.personGroup).values(rows).onConflictDoNothing();
}

async function give(tx: Transaction, person: string, { hash, lastDigits }: FreshCard): Promise<boolean> {
  const given = await tx
    .insert(t.shopperCard)
    .values({ hash: Buffer.from(hash), person, lastDigits })
    .onConflictDoNothing()
    .returning({ person: t.shopperCard.person });
  return given.length > 0;
}

/** What somebody used stays counted; whose it was nobody can say any more. */
async function forgetUses(tx: Transaction, id: string): Promise<void> {
  const ending = `@${id}`;
  for (const table of [t.useTaken, t.useHold])
    await tx.delete(table).where(sql`right(split_part(${table.key}, '/', 1), ${ending.length}) = ${ending}`);
  await tx
    .delete(t.useCount)
    .where(sql`right(split_part(${t.useCount.key}, '/', 1), ${ending.length}) = ${ending}`);
}

/** In the trail people go by their number. */
async function note(
  tx: Transaction,
  subject: string,
  person: string | null,
  action: string,
  told: { readonly before: unknown; readonly after: unknown },
): Promise<void> {
  const planVersion = await planVersionOf(tx);
  await tx
    .insert(t.auditEntry)
    .values({ person, action, subjectKind: 'shopper', subject, ...told, planVersion });
}

function falseWhereRolledBack(error: unknown): false {
  if (error instanceof TransactionRollbackError) return false;
  throw error;
}
