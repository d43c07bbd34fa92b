import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  bigint,
  boolean,
  check,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  serial,
  text,
  timestamp,
  unique,
} from 'drizzle-orm/pg-core';
import type { ChainWords, SecondStepDemand, SentByItself } from '../../contracts/index.ts';
import type { HouseRules } from '../../core/house-rules/index.ts';
import type { ItemDocument, ItemRule, ItemSetDocument, RoundingDocument } from '../../core/plan/index.ts';
import { store, zone } from './places.ts';

/** The one chain of this database, its policies, and the version that every change of the plan raises. */
export const chain = pgTable(
  'chain',
  {
    id: integer().primaryKey().default(1),
    name: text().notNull(),
    currency: text().notNull(),
    priceChangePolicy: text().$type<'priority' | 'lowest'>().notNull().default('priority'),
    basketPolicy: text().$type<'best' | 'priority'>().notNull().default('best'),
    marginFloor: integer(),
    planVersion: bigint({ mode: 'number' }).notNull().default(1),
    /** What numbers of price files begin at; a restored backup begins at a new one (core/price-file/number.ts). */
    epoch: bigint({ mode: 'number' }).notNull().default(0),
    /** Whether the made-up chain was asked for: its people can sign in nowhere else. */
    demo: boolean().notNull().default(false),
    /** When a restored backup was last noticed. */
    restoredAt: timestamp({ withTimezone: true }),
    /** What somebody wrote is approved by somebody else. */
    approvalByAnother: boolean().notNull().default(true),
    /** Regular prices and what changes the goods or places of approved promotions wait for approval too. */
    approvalOfStockroom: boolean().notNull().default(true),
    /** Shelf tags tell the lowest price of the thirty days before a reduction. */
    tagsTellLowest: boolean().notNull().default(true),
    /** What the chain asks of its promotions; null: nothing was said. */
    houseRules: jsonb().$type<HouseRules>(),
    /** Of whom a second step of the sign-in is asked, and from when on; null: of nobody. */
    secondStep: jsonb().$type<SecondStepDemand>(),
    /** Ways of paying and delivering, regions and link tags that promotions can ask for; null: none were said. */
    words: jsonb().$type<ChainWords>(),
    /** The hour of the day, "18:00" in that time zone, at which what is approved is sent by itself; null: somebody sends it. */
    sendHour: text(),
    sendZone: text(),
    /** Until when that was last done; what is due since is done as soon as a server is there. */
    sentByItselfUntil: timestamp({ withTimezone: true }),
    /** What came of it the last time. */
    sentByItself: jsonb().$type<SentByItself>(),
    /** The highest number of a price file that the backup did not know and that a terminal held. */
    lostNumber: bigint({ mode: 'number' }),
  },
  (t) => [
    check('chain_one_row', sql`${t.id} = 1`),
    check('chain_currency', sql`${t.currency} ~ '^[A-Z]{3}$'`),
    check('chain_price_change_policy', sql`${t.priceChangePolicy} in ('priority', 'lowest')`),
    check('chain_basket_policy', sql`${t.basketPolicy} in ('best', 'priority')`),
    check('chain_margin_floor', sql`${t.marginFloor} between 0 and 10000`),
  ],
);

export const node = pgTable(
  'node',
  {
    id: text().primaryKey(),
    name: text().notNull(),
    parent: text().references((): AnyPgColumn => node.id),
    position: integer().notNull(),
  },
  (t) => [check('node_not_its_own_parent', sql`${t.parent} <> ${t.id}`)],
);

export const item = pgTable(
  'item',
  {
    sku: text().primaryKey(),
    name: text().notNull(),
    node: text()
      .notNull()
      .references(() => node.id),
    gtin: text(),
    brand: text(),
    parent: text().references((): AnyPgColumn => item.sku),
    unit: text().$type<'each' | 'kg' | 'l' | 'm'>().notNull().default('each'),
    /** As given: kilograms with at most three decimals. */
    weight: text(),
    /** Minor units. */
    cost: bigint({ mode: 'number' }),
    attributes: jsonb().$type<Record<string, string>>().notNull().default({}),
    tags: text().array().notNull().default([]),
    /** How much is in one, for the price of a unit of measure. */
    content: jsonb().$type<NonNullable<ItemDocument['content']>>(),
    /** Where it stands. */
    shelf: text(),
    /** From this day on no store carries it. */
    retired: date(),
    position: integer().notNull(),
    /** What is searched in. */
    search: text()
      .notNull()
      .generatedAlwaysAs(
        sql`lower(sku || ' ' || coalesce(gtin, '') || ' ' || name || ' ' || coalesce(brand, ''))`,
      ),
  },
  (t) => [
    check('item_unit', sql`${t.unit} in ('each', 'kg', 'l', 'm')`),
    check('item_cost', sql`${t.cost} >= 0`),
    check('item_gtin', sql`${t.gtin} ~ '^([0-9]{8}|[0-9]{12,14})$'`),
    check('item_not_its_own_parent', sql`${t.parent} <> ${t.sku}`),
    index('item_node').on(t.node),
    index('item_brand').on(t.brand),
    index('item_gtin_lookup').on(t.gtin),
    index('item_search').using('gin', t.search.op('gin_trgm_ops')),
    index('item_position').on(t.position),
    index('item_sku_typed').on(sql`lower(${t.sku})`),
    index('item_name_start').on(sql`lower(${t.name}) text_pattern_ops`),
  ],
);

/** A dated regular price for the chain, a zone or one store. */
export const itemPrice = pgTable(
  'item_price',
  {
    id: serial().primaryKey(),
    sku: text()
      .notNull()
      .references(() => item.sku, { onDelete: 'cascade' }),
    zone: text().references(() => zone.id),
    store: text().references(() => store.id),
    /** Local date at the store; none: always. */
    since: date(),
    /** Minor units. */
    price: bigint({ mode: 'number' }).notNull(),
  },
  (t) => [
    index('item_price_since').on(t.since),
    check('item_price_one_scope', sql`num_nonnulls(${t.zone}, ${t.store}) <= 1`),
    check('item_price_not_negative', sql`${t.price} >= 0`),
    unique('item_price_one_a_day').on(t.sku, t.zone, t.store, t.since).nullsNotDistinct(),
  ],
);

export const itemSet = pgTable('item_set', {
  id: text().primaryKey(),
  name: text().notNull(),
  rule: jsonb().$type<ItemRule>().notNull(),
  frozen: jsonb().$type<NonNullable<ItemSetDocument['frozen']>>(),
});

export const priceList = pgTable(
  'price_list',
  {
    id: text().primaryKey(),
    name: text().notNull(),
    /** Signed basis points over or under the regular price. */
    percent: integer(),
    rounding: jsonb().$type<RoundingDocument>(),
  },
  (t) => [check('price_list_percent', sql`${t.percent} between -10000 and 10000`)],
);

export const priceListPrice = pgTable(
  'price_list_price',
  {
    list: text()
      .notNull()
      .references(() => priceList.id, { onDelete: 'cascade' }),
    sku: text()
      .notNull()
      .references(() => item.sku, { onDelete: 'cascade' }),
    price: bigint({ mode: 'number' }).notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.list, t.sku] }),
    check('price_list_price_not_negative', sql`${t.price} >= 0`),
  ],
);
