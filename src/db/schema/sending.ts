import { sql } from 'drizzle-orm';
import {
  bigint,
  bigserial,
  check,
  index,
  jsonb,
  pgTable,
  primaryKey,
  serial,
  text,
} from 'drizzle-orm/pg-core';
import type { KeyCertificate } from '../../contracts/index.ts';
import type { Manifest } from '../../core/price-file/index.ts';
import { bytes } from './bytes.ts';
import { instant } from './instant.ts';
import { person } from './people.ts';
import { store, terminal } from './places.ts';

/** Who did what, when, and what it was before. */
export const auditEntry = pgTable(
  'audit_entry',
  {
    id: serial().primaryKey(),
    at: instant('at').notNull().defaultNow(),
    person: text(),
    action: text().notNull(),
    subjectKind: text().notNull(),
    subject: text().notNull(),
    before: jsonb(),
    after: jsonb(),
    /** The version of the plan that the change made. */
    planVersion: bigint({ mode: 'number' }).notNull(),
  },
  (t) => [
    index('audit_entry_subject').on(t.subjectKind, t.subject),
    index('audit_entry_version').on(t.planVersion),
    index('audit_entry_at').on(t.at),
    index('audit_entry_puts').using('gin', sql`(${t.after} -> 'puts') jsonb_path_ops`),
  ],
);

/** The whole plan at a version: what it was at any later one is made of it step by step. */
export const planSnapshot = pgTable('plan_snapshot', {
  planVersion: bigint({ mode: 'number' }).primaryKey(),
  takenAt: instant('taken_at').notNull().defaultNow(),
  /** The plan document as JSON, gzipped. */
  document: bytes().notNull(),
});

/** The pair of Ed25519 keys with which price files are signed. */
export const signingKey = pgTable('signing_key', {
  id: serial().primaryKey(),
  /** PEM, SPKI. */
  publicKey: text().notNull(),
  /** PEM, PKCS 8. */
  privateKey: text().notNull(),
  createdAt: instant('created_at').notNull().defaultNow(),
  /** How the key before it vouches for it; null: the first one, which terminals were given by hand. */
  certificate: jsonb().$type<KeyCertificate>(),
  /** Since when no terminal trusts it any more. */
  withdrawnAt: instant('withdrawn_at'),
});

/** One press of "send": a price file for each of its stores. */
export const rollout = pgTable('rollout', {
  id: bigserial({ mode: 'number' }).primaryKey(),
  createdAt: instant('created_at').notNull().defaultNow(),
  createdBy: text().notNull(),
  planVersion: bigint({ mode: 'number' }).notNull(),
});

/** Promotions that sending leaves as the terminals have them. One that is gone from the plan may be held too. */
export const heldBack = pgTable('held_back', {
  promotion: text().primaryKey(),
  heldBy: text()
    .notNull()
    .references(() => person.id),
  heldAt: instant('held_at').notNull().defaultNow(),
});

export const priceFile = pgTable(
  'price_file',
  {
    store: text()
      .notNull()
      .references(() => store.id),
    /** Rises by one with every file of a store. */
    number: bigint({ mode: 'number' }).notNull(),
    rollout: bigint({ mode: 'number' })
      .notNull()
      .references(() => rollout.id),
    /** The signed text, gzipped, in files from before there were envelopes. */
    content: bytes(),
    /** The whole envelope as terminals take it, gzipped. */
    envelope: bytes(),
    /** Of the text without what differs in every file, hexadecimal. */
    sha256: text().notNull(),
    /** Ed25519, base64. */
    signature: text().notNull(),
    /** What makes it of the store's file before it, gzipped as it goes over; null: it goes as a whole. */
    change: bytes(),
    /** The number of that file, and the SHA-256 of its text. */
    changesFrom: bigint('changes_from', { mode: 'number' }),
    changesSha256: text('changes_sha256'),
    /** Digests of what it holds; null in files from before there were any. */
    manifest: jsonb().$type<Manifest>(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.store, t.number] }),
    check('price_file_number', sql`${t.number} >= 1`),
    index('price_file_rollout').on(t.rollout),
  ],
);

/** What a terminal said of itself whenever that was something else than before. */
export const terminalEvent = pgTable(
  'terminal_event',
  {
    id: bigserial({ mode: 'number' }).primaryKey(),
    terminal: text()
      .notNull()
      .references(() => terminal.id, { onDelete: 'cascade' }),
    at: instant('at').notNull().defaultNow(),
    holds: bigint({ mode: 'number' }),
    problem: text(),
    /** Its own clock less the server's, milliseconds; null in entries from before it was kept. */
    clockSkew: bigint({ mode: 'number' }),
  },
  (t) => [index('terminal_event_terminal').on(t.terminal, t.id)],
);

/** What a terminal last said of itself. */
export const terminalState = pgTable('terminal_state', {
  terminal: text()
    .primaryKey()
    .references(() => terminal.id, { onDelete: 'cascade' }),
  holds: bigint({ mode: 'number' }),
  heldSince: instant('held_since'),
  lastSeen: instant('last_seen').notNull(),
  /** Its own clock less the server's, milliseconds. */
  clockSkew: bigint({ mode: 'number' }),
  problem: text(),
});
