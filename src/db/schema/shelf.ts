import { date, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { instant } from './instant.ts';
import { person } from './people.ts';

/** A shelf tag that a store has hung for a day; goods and stores may be gone since. */
export const hungTag = pgTable(
  'hung_tag',
  {
    store: text().notNull(),
    day: date().notNull(),
    sku: text().notNull(),
    /** What the tag says, in short. */
    edition: text().notNull(),
    hungBy: text()
      .notNull()
      .references(() => person.id),
    hungAt: instant('hung_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.store, t.day, t.sku] })],
);
