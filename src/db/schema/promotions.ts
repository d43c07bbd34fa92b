import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
} from 'drizzle-orm/pg-core';
import type {
  OfferDocument,
  PromotionDocument,
  PromotionStatus,
  StoreRule,
  SupplierTermsDocument,
  WhoDocument,
  WindowDocument,
} from '../../core/plan/index.ts';

export const promotion = pgTable(
  'promotion',
  {
    id: text().primaryKey(),
    name: text().notNull(),
    label: jsonb().$type<Record<string, string>>(),
    badge: jsonb().$type<Record<string, string>>(),
    notes: text(),
    supplier: jsonb().$type<SupplierTermsDocument>(),
    status: text().$type<PromotionStatus>().notNull(),
    priority: integer(),
    alone: boolean(),
    startsFrom: text().$type<'tag' | 'base'>(),
    where: jsonb('where_rule').$type<StoreRule>(),
    channels: text().array(),
    terminals: text().array(),
    /** Wall times at the store, so without a zone. */
    startsAt: timestamp({ mode: 'string', withTimezone: false }).notNull(),
    endsAt: timestamp({ mode: 'string', withTimezone: false }),
    windows: jsonb().$type<WindowDocument[]>(),
    rrule: text(),
    duration: text(),
    except: date('except_dates').array(),
    who: jsonb().$type<WhoDocument>(),
    uses: jsonb().$type<PromotionDocument['uses']>(),
    codeBatches: boolean().notNull().default(false),
    limitPerBasket: integer(),
    kind: text().$type<OfferDocument['kind']>().notNull(),
    offer: jsonb().$type<OfferDocument>().notNull(),
    /** Raised by every save: the second of two people to save is told. */
    revision: integer().notNull().default(1),
    createdBy: text(),
    updatedBy: text(),
    updatedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    check('promotion_status', sql`${t.status} in ('draft', 'approved', 'paused', 'archived')`),
    check('promotion_priority', sql`${t.priority} >= 1`),
    check('promotion_ends_after_it_starts', sql`${t.endsAt} > ${t.startsAt}`),
    check('promotion_starts_from', sql`${t.startsFrom} in ('tag', 'base')`),
    check('promotion_repeat', sql`num_nonnulls(${t.rrule}, ${t.duration}) <> 1`),
    check('promotion_limit', sql`${t.limitPerBasket} >= 1`),
    check('promotion_kind', sql`${t.offer} ->> 'kind' = ${t.kind}`),
    check(
      'promotion_alone',
      sql`not (coalesce(${t.alone}, false) and (${t.kind} = 'basketReward' or coalesce((${t.offer} ->> 'onTop')::boolean, false)))`,
    ),
    index('promotion_span').on(t.startsAt, t.endsAt),
  ],
);

export const promotionCode = pgTable(
  'promotion_code',
  {
    promotion: text()
      .notNull()
      .references(() => promotion.id, { onDelete: 'cascade' }),
    code: text().notNull(),
  },
  (t) => [primaryKey({ columns: [t.promotion, t.code] })],
);

/** What waits beside a promotion: a change of it, or, with no document, its approval. */
export const proposal = pgTable('proposal', {
  promotion: text()
    .primaryKey()
    .references(() => promotion.id, { onDelete: 'cascade' }),
  document: jsonb().$type<PromotionDocument>(),
  writtenBy: text().notNull(),
  submittedBy: text(),
  submittedAt: timestamp({ withTimezone: true }),
  /** Who approved it first, where two have to. */
  approvedBy: text(),
  returnedBy: text(),
  reason: text(),
});
