import { sql } from 'drizzle-orm';
import { boolean, date, index, integer, jsonb, pgTable, primaryKey, real, text } from 'drizzle-orm/pg-core';
import type { CodePattern } from '../../core/codes/index.ts';
import { bytes } from './bytes.ts';
import { instant } from './instant.ts';

/** A batch of single-use codes of a promotion. It stays when the promotion goes: codes were handed out. */
export const codeBatch = pgTable(
  'code_batch',
  {
    id: integer().primaryKey().generatedAlwaysAsIdentity(),
    promotion: text().notNull(),
    pattern: jsonb().$type<CodePattern>().notNull(),
    /** How many codes are to be made, and how many have been. */
    wanted: integer().notNull(),
    made: integer().notNull().default(0),
    /** The last part of the list that was written. */
    parts: integer().notNull().default(0),
    /** The first and the last day on which its codes are good; null: as long as the promotion. */
    fromDay: date(),
    toDay: date(),
    /** For the house, to try things with: what a receipt gets by it counts nowhere. */
    test: boolean().notNull().default(false),
    madeBy: text().notNull(),
    madeAt: instant('made_at').notNull(),
    /** Whether the codes themselves are still there to be shown. */
    listed: boolean().notNull().default(true),
    withdrawnAt: instant('withdrawn_at'),
  },
  (t) => [index('code_batch_promotion').on(t.promotion)],
);

/** A code, as a keyed hash of how it is compared; nobody who reads this can say what it is. */
export const batchCode = pgTable(
  'batch_code',
  {
    hash: bytes().primaryKey(),
    /** Of {@link codeBatch}, none of which is ever deleted; a million rows need not be looked up for that one by one. */
    batch: integer().notNull(),
    withdrawn: boolean().notNull().default(false),
  },
  (t) => [index('batch_code_withdrawn').on(t.batch).where(sql`${t.withdrawn}`)],
);

/** The codes of a batch in the order in which they were made, sealed; thrown away when they are handed out. */
export const codeList = pgTable(
  'code_list',
  {
    batch: integer()
      .notNull()
      .references(() => codeBatch.id, { onDelete: 'cascade' }),
    part: integer().notNull(),
    sealed: bytes().notNull(),
  },
  (t) => [primaryKey({ columns: [t.batch, t.part] })],
);

/** Wrong codes that were tried at one till, or by one person: how many more are let through at once. */
export const codeTry = pgTable('code_try', {
  who: text().primaryKey(),
  /** Wrong ones that are still free. */
  left: real().notNull(),
  at: instant('at').notNull(),
  /** Wrong ones within the day that began then. */
  wrong: integer().notNull(),
  since: instant('since').notNull(),
});
