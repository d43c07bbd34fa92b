import { boolean, integer, jsonb, pgTable, primaryKey, serial, text, timestamp } from 'drizzle-orm/pg-core';
import type {
  BasketCheckResult,
  CheckedBasketDocument,
  CheckMoment,
  KeptLoophole,
  PriceEffect,
} from '../../contracts/index.ts';
import type { EntryChange } from '../../contracts/table/index.ts';
import type { Finding } from '../../core/overlaps/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { bytes } from './bytes.ts';
import { instant } from './instant.ts';
import { person } from './people.ts';

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

/** Who has a promotion open to write on it, until some time after their page was last heard of. */
export const atDesk = pgTable(
  'at_desk',
  {
    promotion: text().notNull(),
    person: owner(),
    seenAt: instant('seen_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.promotion, t.person] })],
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

/** A basket that is rung again whenever the plan changes, and what it must come to. */
export const basketCheck = pgTable('basket_check', {
  id: serial().primaryKey(),
  name: text().notNull().unique(),
  /** A basket of the open format without its moment. */
  basket: jsonb().$type<CheckedBasketDocument>().notNull(),
  moment: jsonb().$type<CheckMoment>().notNull(),
  atMost: text('at_most'),
  atLeast: text('at_least'),
  /** What came of it the last time, and with which plan. */
  result: jsonb().$type<BasketCheckResult>(),
  createdBy: text('created_by').notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
});

/** What was found in the plan at a version, on a day: one of them is kept. */
export const findings = pgTable('findings', {
  planVersion: integer('plan_version').primaryKey(),
  day: text().notNull(),
  found: jsonb().$type<readonly Finding[]>().notNull(),
});

/** Baskets that lose money in the plan at a version, from a day on: those of one version are kept. */
export const loopholes = pgTable('loopholes', {
  planVersion: integer('plan_version').primaryKey(),
  day: text().notNull(),
  found: jsonb().$type<readonly KeptLoophole[]>().notNull(),
  searches: integer().notNull(),
  isWhole: boolean('is_whole').notNull(),
});

/** What one search for baskets that lose money found, by what it rests on. */
export const loopholeSearch = pgTable('loophole_search', {
  key: text().primaryKey(),
  found: jsonb().$type<readonly KeptLoophole[]>().notNull(),
  askedAt: instant('asked_at').notNull().defaultNow(),
});

/** A finding that somebody can live with, as long as what it is about stays. */
export const acceptedFinding = pgTable('accepted_finding', {
  /** Its code, its promotions and its part, as JSON. */
  key: text().primaryKey(),
  about: text().notNull(),
  reason: text().notNull(),
  acceptedBy: text('accepted_by')
    .notNull()
    .references(() => person.id, { onDelete: 'cascade' }),
  acceptedAt: instant('accepted_at').notNull().defaultNow(),
});

/** A picture that a till shows, by the SHA-256 of its bytes. */
export const picture = pgTable('picture', {
  id: text().primaryKey(),
  mediaType: text('media_type').notNull(),
  width: integer().notNull(),
  height: integer().notNull(),
  bytes: bytes().notNull(),
  addedBy: text('added_by').notNull(),
  addedAt: instant('added_at').notNull().defaultNow(),
});

/** Changes of the stockroom that wait for approval. */
export const waitingEntries = pgTable('waiting_entries', {
  id: serial().primaryKey(),
  change: jsonb().$type<EntryChange>().notNull(),
  /** The entries of its keys as they stood when it was written. */
  standing: jsonb().$type<object[]>().notNull(),
  effect: jsonb().$type<PriceEffect>().notNull(),
  writtenBy: text().notNull(),
  writtenAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  returnedBy: text(),
  reason: text(),
});

/** What was asked to be done once, and what came of it: asked again under the same key it is answered, not done. */
export const onceDone = pgTable(
  'once_done',
  {
    person: owner(),
    key: text().notNull(),
    /** Of what was asked, SHA-256. */
    digest: text().notNull(),
    at: instant('at').notNull().defaultNow(),
    /** Null: it is not known yet what comes of it. */
    status: integer(),
    headers: jsonb().$type<Readonly<Record<string, string>>>(),
    body: text(),
  },
  (t) => [primaryKey({ columns: [t.person, t.key] })],
);
