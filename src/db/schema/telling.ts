import { bigserial, index, integer, jsonb, pgTable, text } from 'drizzle-orm/pg-core';
import type { Told } from '../../contracts/view/index.ts';
import { instant } from './instant.ts';
import { person } from './people.ts';

/** Addresses of other programs that are told what happens. */
export const webhook = pgTable('webhook', {
  id: text().primaryKey(),
  url: text().notNull(),
  events: text().array().notNull(),
  /** With which calls are signed; it has to be known to sign. */
  secret: text().notNull(),
  madeBy: text()
    .notNull()
    .references(() => person.id),
  madeAt: instant('made_at').notNull().defaultNow(),
  /** Since when it is told nothing more. */
  endedAt: instant('ended_at'),
});

/** One call of such an address, tried until it is taken or given up. */
export const webhookCall = pgTable(
  'webhook_call',
  {
    id: text().primaryKey(),
    webhook: text()
      .notNull()
      .references(() => webhook.id, { onDelete: 'cascade' }),
    body: text().notNull(),
    at: instant('at').notNull().defaultNow(),
    /** When it is tried next; null: no more. */
    due: instant('due'),
    tries: integer().notNull().default(0),
    takenAt: instant('taken_at'),
    /** What came of the newest try: a status, or why there was none. */
    said: text(),
  },
  (t) => [index('webhook_call_due').on(t.due), index('webhook_call_webhook').on(t.webhook, t.at)],
);

/** What happened, written down with what happened itself; not yet put into a call. */
export const webhookEvent = pgTable('webhook_event', {
  id: bigserial({ mode: 'number' }).primaryKey(),
  webhook: text()
    .notNull()
    .references(() => webhook.id, { onDelete: 'cascade' }),
  told: jsonb().$type<Told>().notNull(),
});
