import { sql } from 'drizzle-orm';
import { boolean, check, integer, pgTable, primaryKey, serial, text, timestamp } from 'drizzle-orm/pg-core';
import { store } from './places.ts';

const instant = (name: string) => timestamp(name, { withTimezone: true });

/** People who sign in. The columns up to `updatedAt`, and the next three tables, are those of the sign-in package. */
export const person = pgTable(
  'person',
  {
    id: text().primaryKey(),
    name: text().notNull(),
    email: text().notNull().unique(),
    emailVerified: boolean().notNull().default(false),
    image: text(),
    createdAt: instant('created_at').notNull().defaultNow(),
    updatedAt: instant('updated_at').notNull().defaultNow(),
    role: text().notNull().default('viewer'),
    /** Costs, margins and supplier terms are shown to some and not to others, whatever they may do. */
    seesCosts: boolean().notNull().default(true),
    /** Made up with the demo chain; such a person cannot sign in anywhere else. */
    demo: boolean().notNull().default(false),
    /** Since when they are not let in any more; null: they are. What they did stays theirs. */
    endedAt: instant('ended_at'),
  },
  (t) => [
    check('person_role', sql`${t.role} in ('viewer', 'planner', 'approver', 'store', 'administrator')`),
  ],
);

export const session = pgTable('session', {
  id: text().primaryKey(),
  expiresAt: instant('expires_at').notNull(),
  token: text().notNull().unique(),
  createdAt: instant('created_at').notNull().defaultNow(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
  ipAddress: text(),
  userAgent: text(),
  userId: text()
    .notNull()
    .references(() => person.id, { onDelete: 'cascade' }),
});

export const account = pgTable('account', {
  id: text().primaryKey(),
  accountId: text().notNull(),
  providerId: text().notNull(),
  userId: text()
    .notNull()
    .references(() => person.id, { onDelete: 'cascade' }),
  accessToken: text(),
  refreshToken: text(),
  idToken: text(),
  accessTokenExpiresAt: instant('access_token_expires_at'),
  refreshTokenExpiresAt: instant('refresh_token_expires_at'),
  scope: text(),
  password: text(),
  createdAt: instant('created_at').notNull().defaultNow(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
});

export const verification = pgTable('verification', {
  id: text().primaryKey(),
  identifier: text().notNull(),
  value: text().notNull(),
  expiresAt: instant('expires_at').notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
});

/** Letters that went out: a simulated mailbox, out of which an administrator can hand a link on. */
export const letter = pgTable('letter', {
  id: serial().primaryKey(),
  to: text().notNull(),
  subject: text().notNull(),
  text: text().notNull(),
  at: instant('at').notNull().defaultNow(),
});

/** Tries of passwords that failed, by account and by address: each slows down the next. */
export const signInTry = pgTable('sign_in_try', {
  /** A digest of what is counted: an account, an address, or one from the other. */
  key: text().primaryKey(),
  tries: integer().notNull(),
  /** Of the newest try. */
  at: instant('at').notNull(),
});

/** The stores that a person with the role `store` sees. */
export const personStore = pgTable(
  'person_store',
  {
    person: text()
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    store: text()
      .notNull()
      .references(() => store.id, { onDelete: 'cascade' }),
  },
  (t) => [primaryKey({ columns: [t.person, t.store] })],
);
