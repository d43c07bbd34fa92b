import { sql } from 'drizzle-orm';
import { check, pgTable, serial, text } from 'drizzle-orm/pg-core';
import { item, itemSet, node } from './goods.ts';
import { range, store, storeGroup, zone } from './places.ts';
import { promotion } from './promotions.ts';

/**
 * Every name in a rule, once more as a foreign key: so nothing that a rule names can be deleted under it.
 * One owner and one target a row.
 */
export const ruleReference = pgTable(
  'rule_reference',
  {
    id: serial().primaryKey(),
    ofPromotion: text().references(() => promotion.id, { onDelete: 'cascade' }),
    ofItemSet: text().references(() => itemSet.id, { onDelete: 'cascade' }),
    ofStoreGroup: text().references(() => storeGroup.id, { onDelete: 'cascade' }),
    ofRange: text().references(() => range.id, { onDelete: 'cascade' }),
    item: text().references(() => item.sku),
    node: text().references(() => node.id),
    itemSet: text().references(() => itemSet.id),
    store: text().references(() => store.id),
    storeGroup: text().references(() => storeGroup.id),
    zone: text().references(() => zone.id),
  },
  (t) => [
    check(
      'rule_reference_one_owner',
      sql`num_nonnulls(${t.ofPromotion}, ${t.ofItemSet}, ${t.ofStoreGroup}, ${t.ofRange}) = 1`,
    ),
    check(
      'rule_reference_one_target',
      sql`num_nonnulls(${t.item}, ${t.node}, ${t.itemSet}, ${t.store}, ${t.storeGroup}, ${t.zone}) = 1`,
    ),
  ],
);
