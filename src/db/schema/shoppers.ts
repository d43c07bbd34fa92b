import { sql } from 'drizzle-orm';
import { bigint, check, integer, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { priceList } from './goods.ts';

export const shopperGroup = pgTable('shopper_group', {
  id: text().primaryKey(),
  name: text().notNull(),
  priceList: text().references(() => priceList.id),
});

export const shopper = pgTable(
  'shopper',
  {
    id: text().primaryKey(),
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
