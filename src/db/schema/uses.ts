import { boolean, index, integer, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { instant } from './instant.ts';

/** How often something limited was used at all tills together; whoever uses it holds its row until that is written. */
export const useCount = pgTable('use_count', {
  /**
   * As a basket tells its uses so far: a promotion, "code:CODE" or "promotion@shopper", "units:" before what counts units;
   * then the span, where there is one.
   */
  key: text().primaryKey(),
  taken: integer().notNull().default(0),
});

/** A use that is kept for a basket at a till until it is paid, given back or forgotten. */
export const useHold = pgTable(
  'use_hold',
  {
    terminal: text().notNull(),
    /** As the till names it. */
    basket: text().notNull(),
    /** As of {@link useCount}. */
    key: text().notNull(),
    /** How many it counts as: one, or so many units. */
    units: integer().notNull().default(1),
    until: instant('until').notNull(),
  },
  (t) => [primaryKey({ columns: [t.terminal, t.basket, t.key] }), index('use_hold_key').on(t.key)],
);

/** A use of a receipt that was closed: who used what, when and where. Terminals and promotions may be gone since. */
export const useTaken = pgTable(
  'use_taken',
  {
    terminal: text().notNull(),
    basket: text().notNull(),
    key: text().notNull(),
    /** The first day of the span in which it counts; null: once for all. */
    span: text(),
    promotion: text().notNull(),
    store: text().notNull(),
    /** By the till's clock. */
    at: instant('at').notNull(),
    toldAt: instant('told_at').notNull().defaultNow(),
    /** The batch whose code it is; null: of none. */
    batch: integer(),
    /** How many it counts as: one, or so many units. */
    units: integer().notNull().default(1),
    /** What its promotion took off the receipt, in minor units; null: the till did not tell. */
    worth: integer(),
    /** Whether it had been used as often as it may be before: a till that was cut off gave it by itself. */
    over: boolean().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.terminal, t.basket, t.key] }),
    index('use_taken_key').on(t.key),
    index('use_taken_promotion').on(t.promotion, t.at),
    index('use_taken_batch').on(t.batch),
  ],
);
