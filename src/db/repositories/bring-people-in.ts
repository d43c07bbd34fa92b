import { inArray, sql } from 'drizzle-orm';
import type { PersonBroughtIn } from '../../usecases/ports/index.ts';
import type { Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf } from './plan-version.ts';

/** Rows that are written in one statement. */
const STRETCH = 1_000;
/** So many stand in the trail one by one; of more those whose kinds change do, and the others are counted. */
const ONE_BY_ONE = 200;
/** Stands in the trail for all of them. */
export const EVERYBODY = '*';

/** Writes people of a file; nobody loses a card, and a card that is somebody else's undoes all of it. */
export async function bringPeopleIn(
  tx: Transaction,
  people: readonly PersonBroughtIn[],
  by: string,
  now: Date,
): Promise<true> {
  const planVersion = await planVersionOf(tx);
  const counted = people.length > ONE_BY_ONE;
  let changed = 0;
  for (let from = 0; from < people.length; from += STRETCH) {
    const some = people.slice(from, from + STRETCH);
    const ids = some.map(({ id }) => id);
    const before = await groupsBefore(tx, ids);
    await tx
      .insert(t.shopperPerson)
      .values(some.map(({ id, details: { name, email } }) => ({ id, name, email, since: now })))
      .onConflictDoUpdate({
        target: t.shopperPerson.id,
        set: { name: sql`excluded.name`, email: sql`excluded.email` },
      });
    await putGroups(tx, some, now);
    await putCards(tx, some);
    const entries = some.flatMap(({ id, details: { groups }, card }) => {
      const was = before.get(id);
      if (was) changed += 1;
      if (counted && (!was || was.join('\n') === groups.toSorted().join('\n'))) return [];
      return [
        {
          ...{ person: by, subjectKind: 'shopper' as const, subject: id, planVersion },
          action: was ? 'changed' : 'added',
          before: was ? { groups: was } : null,
          after: { groups, ...(was ? {} : { cards: card === null ? 0 : 1 }) },
        },
      ];
    });
    if (entries.length > 0) await tx.insert(t.auditEntry).values(entries);
  }
  if (counted)
    await tx.insert(t.auditEntry).values({
      ...{ person: by, subjectKind: 'shopper', subject: EVERYBODY, planVersion },
      ...{ action: 'brought in as a file', before: null, after: { added: people.length - changed, changed } },
    });
  return true;
}

/** The kinds of those who were known before, by number. */
async function groupsBefore(tx: Transaction, ids: readonly string[]): Promise<Map<string, string[]>> {
  const known = await tx
    .select({ id: t.shopperPerson.id })
    .from(t.shopperPerson)
    .where(inArray(t.shopperPerson.id, [...ids]))
    .for('update');
  const rows = await tx
    .select()
    .from(t.personGroup)
    .where(inArray(t.personGroup.person, [...ids]));
  const groups = new Map<string, string[]>(known.map(({ id }) => [id, []]));
  for (const { person, group } of rows) groups.get(person)!.push(group);
  for (const own of groups.values()) own.sort();
  return groups;
}

async function putGroups(tx: Transaction, some: readonly PersonBroughtIn[], since: Date): Promise<void> {
  const rows = some.flatMap(({ id, details }) =>
    details.groups.map((group) => ({ person: id, group, since })),
  );
  const [people, groups] = [rows.map(({ person }) => person), rows.map(({ group }) => group)];
  await tx.execute(sql`
    delete from person_group g where g.person = any(${sql.param(some.map(({ id }) => id))})
      and (g.person, g.shopper_group) not in (
        select * from unnest(${sql.param(people)}::text[], ${sql.param(groups)}::text[])
      )`);
  if (rows.length > 0) await tx.insert(t.personGroup).values(rows).onConflictDoNothing();
}

async function putCards(tx: Transaction, some: readonly PersonBroughtIn[]): Promise<void> {
  const rows = some.flatMap(({ id, card }) =>
    card === null ? [] : [{ hash: Buffer.from(card.hash), person: id, lastDigits: card.lastDigits }],
  );
  if (rows.length === 0) return;
  const given = await tx.insert(t.shopperCard).values(rows).onConflictDoNothing().returning();
  if (given.length < rows.length) tx.rollback();
}
