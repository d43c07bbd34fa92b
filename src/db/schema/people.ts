import { sql } from 'drizzle-orm';
import { boolean, check, integer, pgTable, primaryKey, serial, text } from 'drizzle-orm/pg-core';
import { instant } from './instant.ts';
import { store } from './places.ts';

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
    /** Ids of the departments whose goods alone they may change; null: all. One that goes leaves the others. */
    goods: text().array(),
    /** Made up with the demo chain; such a person cannot sign in anywhere else. */
    demo: boolean().notNull().default(false),
    /** Whether a password alone does not let them in. Named as the sign-in package names it. */
    twoFactorEnabled: boolean('second_step').notNull().default(false),
    /** Another program, known by a key: nobody signs in as it. */
    machine: boolean().notNull().default(false),
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
  /** Whether the chain's own directory of people vouched for them: it asks for a second step, or does not. */
  byDirectory: boolean('by_directory').notNull().default(false),
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

/** The second step of a sign-in: what makes the codes, and those for a lost device, both sealed with the secret. The package's. */
export const secondStep = pgTable('second_step', {
  id: text().primaryKey(),
  secret: text().notNull(),
  backupCodes: text().notNull(),
  userId: text()
    .notNull()
    .unique()
    .references(() => person.id, { onDelete: 'cascade' }),
  /** False as long as no code of it was given. */
  verified: boolean().notNull().default(false),
  failedVerificationCount: integer().notNull().default(0),
  lockedUntil: instant('locked_until'),
});

/** Keys by which other programs are known; each acts as a person of its own. Of a key only the hash is kept. */
export const apiKey = pgTable('api_key', {
  person: text()
    .primaryKey()
    .references(() => person.id, { onDelete: 'cascade' }),
  hash: text().notNull().unique(),
  /** What it may do, at most what its role may. */
  scopes: text().array().notNull(),
  madeAt: instant('made_at').notNull().defaultNow(),
  usedAt: instant('used_at'),
  /** From when on it is good no more. */
  endsAt: instant('ends_at'),
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
