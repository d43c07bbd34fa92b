import { and, asc, desc, eq, inArray, lt, lte, type SQL, sql } from 'drizzle-orm';
import { KEY_MARK } from '../../contracts/table/index.ts';
import type { HistoryStore, TrailQuestion } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

export function historyRepository(db: Database): HistoryStore {
  const { id, at, action, subjectKind: kind, subject, before, after } = t.auditEntry;
  return {
    async entries(question) {
      const rows = await db
        .select({ id, at, person: t.person.name, action, kind, subject, before, after })
        .from(t.auditEntry)
        .leftJoin(t.person, eq(t.person.id, t.auditEntry.person))
        .where(wanted(question))
        .orderBy(desc(id))
        .limit(question.limit);
      return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
    },
    people: () =>
      db
        .select({ id: t.person.id, name: t.person.name })
        .from(t.person)
        .where(sql`exists (select from ${t.auditEntry} a where a.person = ${t.person.id})`)
        .orderBy(asc(t.person.name)),
  };
}

const wanted = ({ kinds, subject, row, person, before, until }: TrailQuestion): SQL | undefined =>
  and(
    kinds && inArray(t.auditEntry.subjectKind, [...kinds]),
    subject === undefined ? undefined : eq(t.auditEntry.subject, subject),
    person === undefined ? undefined : eq(t.auditEntry.person, person),
    before === undefined ? undefined : lt(t.auditEntry.id, before),
    until && lte(t.auditEntry.at, until),
    row && ofRow(row),
  );

/** Rows that were put, found by an index; and rows that went, of which there are few. */
const ofRow = ({ tables, field, value }: NonNullable<TrailQuestion['row']>): SQL => sql`
  ${t.auditEntry.id} in (
    select e.id from ${t.auditEntry} e
    where e.subject_kind = 'entries' and e.subject = any(${sql.param([...tables])})
      and (e.after -> 'puts') @> ${JSON.stringify([{ [field]: value }])}::jsonb
    union
    select e.id from ${t.auditEntry} e, jsonb_array_elements_text(e.after -> 'drops') as gone
    where e.subject_kind = 'entries' and e.subject = any(${sql.param([...tables])})
      and ${value} = any(string_to_array(gone, ${KEY_MARK}))
  )`;
