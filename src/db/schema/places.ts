import { sql } from 'drizzle-orm';
import { check, index, jsonb, pgTable, text, timestamp } from 'drizzle-orm/pg-core';
import type { ItemRule, StoreRule, WindowDocument } from '../../core/plan/index.ts';

export const zone = pgTable('zone', { id: text().primaryKey(), name: text().notNull() });

export const store = pgTable(
  'store',
  {
    id: text().primaryKey(),
    name: text().notNull(),
    /** IANA name. */
    timeZone: text().notNull(),
    zone: text().references(() => zone.id),
    region: text(),
    tags: text().array().notNull().default([]),
    /** When it is open; null: not known. */
    hours: jsonb().$type<WindowDocument[]>(),
    /** Where items stand, by sku, where this store differs. */
    shelves: jsonb().$type<Record<string, string>>(),
  },
  (t) => [check('store_time_zone', sql`${t.timeZone} !~ '^[+-]'`)],
);

export const storeGroup = pgTable('store_group', {
  id: text().primaryKey(),
  name: text().notNull(),
  rule: jsonb().$type<StoreRule>().notNull(),
});

export const terminal = pgTable(
  'terminal',
  {
    id: text().primaryKey(),
    store: text()
      .notNull()
      .references(() => store.id),
    tags: text().array().notNull().default([]),
    /** SHA-256 of the terminal's key, hexadecimal; the key itself is kept nowhere. */
    keyHash: text().unique(),
    /** When it was given that key, or when its key was taken; null: when the chain was set up. */
    keyChangedAt: timestamp('key_changed_at', { withTimezone: true }),
    /** Since when it is wanted to take its whole file once more; null: it is not. */
    wholeAskedAt: timestamp('whole_asked_at', { withTimezone: true }),
  },
  (t) => [
    check('terminal_key_hash', sql`${t.keyHash} ~ '^[0-9a-f]{64}$'`),
    index('terminal_store').on(t.store),
  ],
);

/** What stores carry. Several add up. */
export const range = pgTable('range', {
  id: text().primaryKey(),
  name: text().notNull(),
  stores: jsonb().$type<StoreRule>().notNull(),
  items: jsonb().$type<ItemRule>().notNull(),
});
