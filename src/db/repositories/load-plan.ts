import { asc } from 'drizzle-orm';
import type { PlanDocument, PriceRowDocument } from '../../core/plan/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { amountColumn } from './plan-rows.ts';
import { fromRow, present } from './promotion-rows.ts';

export interface StoredPlan {
  readonly document: PlanDocument;
  readonly version: number;
}

/** The whole plan at one version, or null where the database holds no chain yet. */
export function loadPlan(db: Database): Promise<StoredPlan | null> {
  return db.transaction(
    async (tx) => {
      const [chain] = await tx.select().from(t.chain);
      if (!chain) return null;
      const document = await readDocument(tx as unknown as Database, chain);
      return { document, version: chain.planVersion };
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  );
}

async function readDocument(db: Database, chain: typeof t.chain.$inferSelect): Promise<PlanDocument> {
  const money = amountColumn(chain.currency);
  return present({
    format: 'bell-tag-plan',
    version: 1,
    name: chain.name,
    currency: chain.currency,
    policy: present({
      priceChanges: chain.priceChangePolicy,
      baskets: chain.basketPolicy,
      marginFloor: chain.marginFloor,
    }),
    nodes: (await db.select().from(t.node).orderBy(asc(t.node.position))).map(({ position: _, ...node }) =>
      present(node),
    ),
    items: await readItems(db, money.toText),
    itemSets: (await db.select().from(t.itemSet).orderBy(asc(t.itemSet.id))).map(present),
    zones: await db.select().from(t.zone).orderBy(asc(t.zone.id)),
    stores: (await db.select().from(t.store).orderBy(asc(t.store.id))).map(present),
    storeGroups: await db.select().from(t.storeGroup).orderBy(asc(t.storeGroup.id)),
    terminals: (await db.select().from(t.terminal).orderBy(asc(t.terminal.id))).map(
      ({ keyHash: _, ...terminal }) => terminal,
    ),
    ranges: await db.select().from(t.range).orderBy(asc(t.range.id)),
    shopperGroups: (await db.select().from(t.shopperGroup).orderBy(asc(t.shopperGroup.id))).map(present),
    shoppers: await readShoppers(db, money.toText),
    priceLists: await readPriceLists(db, money.toText),
    promotions: await readPromotions(db),
  }) as unknown as PlanDocument;
}

async function readItems(db: Database, text: (amount: number) => string): Promise<object[]> {
  const prices = new Map<string, PriceRowDocument[]>();
  for (const { id: _, sku, price, ...scope } of await db
    .select()
    .from(t.itemPrice)
    .orderBy(asc(t.itemPrice.id))) {
    const row = { price: text(price), ...present(scope) } as PriceRowDocument;
    prices.set(sku, [...(prices.get(sku) ?? []), row]);
  }
  const items = await db.select().from(t.item).orderBy(asc(t.item.position));
  return items.map(({ position: _, search: __, cost, attributes, tags, unit, ...item }) =>
    present({
      ...item,
      unit: unit === 'each' ? null : unit,
      cost: cost === null ? null : text(cost),
      attributes: Object.keys(attributes).length > 0 ? attributes : null,
      tags: tags.length > 0 ? tags : null,
      prices: prices.get(item.sku) ?? [],
    }),
  );
}

async function readShoppers(db: Database, text: (amount: number) => string): Promise<object[]> {
  const memberships = await db.select().from(t.shopperMembership).orderBy(asc(t.shopperMembership.group));
  const shoppers = await db.select().from(t.shopper).orderBy(asc(t.shopper.id));
  return shoppers.map(({ id, pastOrders, lifetimeSpend }) =>
    present({
      id,
      groups: memberships.filter(({ shopper }) => shopper === id).map(({ group }) => group),
      pastOrders,
      lifetimeSpend: lifetimeSpend === null ? null : text(lifetimeSpend),
    }),
  );
}

async function readPriceLists(db: Database, text: (amount: number) => string): Promise<object[]> {
  const prices = await db.select().from(t.priceListPrice).orderBy(asc(t.priceListPrice.sku));
  const lists = await db.select().from(t.priceList).orderBy(asc(t.priceList.id));
  return lists.map((list) => {
    const own = prices
      .filter(({ list: id }) => id === list.id)
      .map(({ sku, price }) => [sku, text(price)] as const);
    return present({ ...list, prices: own.length > 0 ? Object.fromEntries(own) : null });
  });
}

async function readPromotions(db: Database) {
  const codes = await db.select().from(t.promotionCode).orderBy(asc(t.promotionCode.code));
  const rows = await db.select().from(t.promotion).orderBy(asc(t.promotion.id));
  return rows.map((row) =>
    fromRow(
      row,
      codes.filter(({ promotion }) => promotion === row.id).map(({ code }) => code),
    ),
  );
}
