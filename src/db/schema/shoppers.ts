import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  bigint,
  boolean,
  check,
  index,
  integer,
  jsonb,
  pgSequence,
  pgTable,
  primaryKey,
  text,
} from 'drizzle-orm/pg-core';
import { bytes } from './bytes.ts';
import { priceList } from './goods.ts';
import { instant } from './instant.ts';

export const shopperGroup = pgTable('shopper_group', {
  id: text().primaryKey(),
  name: text().notNull(),
  priceList: text().references(() => priceList.id),
  /** First digits and length of the cards of this kind; null: no cards tell it. */
  cards: jsonb().$type<{ prefix: string; digits: number }>(),
  /** Whether people may ask to be let in. */
  joining: boolean(),
});

/** A shopper with terms of their own, of whom the plan knows a number. */
export const shopper = pgTable(
  'shopper',
  {
    id: text().primaryKey(),
    /** Of an account alone. */
    name: text(),
    account: text().references((): AnyPgColumn => shopper.id),
    priceList: text().references(() => priceList.id),
    pastOrders: integer(),
    /** Minor units. */
    lifetimeSpend: bigint({ mode: 'number' }),
  },
  (t) => [
    check('shopper_counts', sql`coalesce(${t.pastOrders}, 0) >= 0 and coalesce(${t.lifetimeSpend}, 0) >= 0`),
  ],
);

export const shopperMembership = pgTable(
  'shopper_membership',
  {
    shopper: text()
      .notNull()
      .references(() => shopper.id, { onDelete: 'cascade' }),
    group: text('shopper_group')
      .notNull()
      .references(() => shopperGroup.id),
  },
  (t) => [primaryKey({ columns: [t.shopper, t.group] })],
);

/** Somebody whom the chain knows beside the plan: what is kept of a person, and all of it. The plan knows the number. */
export const shopperPerson = pgTable(
  'shopper_person',
  {
    id: text().primaryKey(),
    /** Null: they came with a card alone. */
    name: text(),
    email: text(),
    /** Receipts that were closed for them, and what those came to in minor units. */
    orders: integer().notNull().default(0),
    spent: bigint({ mode: 'number' }).notNull().default(0),
    since: instant('since').notNull(),
  },
  (t) => [check('shopper_person_counts', sql`${t.orders} >= 0 and ${t.spent} >= 0`)],
);

/** A card, as a keyed hash of its number; its last digits are there for who holds it in their hand. */
export const shopperCard = pgTable(
  'shopper_card',
  {
    hash: bytes().primaryKey(),
    person: text()
      .notNull()
      .references(() => shopperPerson.id, { onDelete: 'cascade' }),
    lastDigits: text().notNull(),
  },
  (t) => [index('shopper_card_person').on(t.person)],
);

/** Which kinds of shopper somebody is of. */
export const personGroup = pgTable(
  'person_group',
  {
    person: text()
      .notNull()
      .references(() => shopperPerson.id, { onDelete: 'cascade' }),
    /** No foreign key: a whole plan that comes in takes the kinds away for a moment, and nobody loses theirs by it. */
    group: text('shopper_group').notNull(),
    since: instant('since').notNull(),
  },
  (t) => [primaryKey({ columns: [t.person, t.group] }), index('person_group_group').on(t.group)],
);

/** Numbers of people; none is given twice. */
export const shopperNumber = pgSequence('shopper_number', { startWith: 10_001 });

/** Receipts that were closed for somebody. */
export const shopperOrder = pgTable(
  'shopper_order',
  {
    terminal: text().notNull(),
    basket: text().notNull(),
    person: text()
      .notNull()
      .references(() => shopperPerson.id, { onDelete: 'cascade' }),
    at: instant('at').notNull(),
    /** What it came to, in minor units. */
    paid: bigint({ mode: 'number' }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.terminal, t.basket] }), index('shopper_order_person').on(t.person, t.at)],
);

/** Somebody asks to be let in to a kind of shopper. */
export const joinRequest = pgTable(
  'join_request',
  {
    id: integer().primaryKey().generatedAlwaysAsIdentity(),
    group: text('shopper_group').notNull(),
    name: text().notNull(),
    email: text().notNull(),
    /** What they say for themselves. */
    word: text().notNull(),
    askedAt: instant('asked_at').notNull(),
    /** Of the code that proves the address; null: it was proved. */
    proof: bytes(),
    /** Wrong codes that were tried. */
    tries: integer().notNull().default(0),
    /** Null: it waits. */
    answer: text({ enum: ['let-in', 'refused'] }),
    answeredBy: text(),
    answeredAt: instant('answered_at'),
    person: text().references(() => shopperPerson.id, { onDelete: 'set null' }),
  },
  (t) => [index('join_request_waiting').on(t.askedAt).where(sql`${t.answer} is null`)],
);
