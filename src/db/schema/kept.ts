import { integer, jsonb, pgTable, primaryKey, serial, text, timestamp } from 'drizzle-orm/pg-core';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { person } from './people.ts';

const instant = (name: string) => timestamp(name, { withTimezone: true });
const owner = () =>
  text()
    .notNull()
    .references(() => person.id, { onDelete: 'cascade' });

/** What a person is writing and has not saved yet: survives a closed tab. */
export const keptDraft = pgTable(
  'kept_draft',
  {
    person: owner(),
    /** The promotion's id, or "new:" and a random text. */
    key: text().notNull(),
    /** As the editor holds it; it need not be a whole promotion yet. */
    draft: jsonb().$type<object>().notNull(),
    /** The revision of the promotion that was opened; none: a new one. */
    revision: integer(),
    updatedAt: instant('updated_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.person, t.key] })],
);

/** A promotion to begin others from. */
export const template = pgTable('template', {
  id: serial().primaryKey(),
  name: text().notNull().unique(),
  promotion: jsonb().$type<PromotionDocument>().notNull(),
  createdBy: text().notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
});

/** Which column of a file was which field, the last time a file with these columns came in. */
export const columnMatching = pgTable(
  'column_matching',
  {
    person: owner(),
    table: text('of_table').notNull(),
    /** The heads of the file, in its order. */
    heads: text().array().notNull(),
    matching: jsonb().$type<Record<string, string>>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.person, t.table, t.heads] })],
);
