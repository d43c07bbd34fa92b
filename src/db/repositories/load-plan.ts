import { asc, type SQL } from 'drizzle-orm';
import type { PlanDocument, PriceRowDocument } from '../../core/plan/index.ts';
import { type AmountColumn, amountColumn, type Codec, codecs, fromRow, present } from '../codecs/index.ts';
import type { Database, Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';

export interface StoredPlan {
  readonly document: PlanDocument;
  readonly version: number;
}

/** The whole plan at one version, or null where the database holds no chain yet. */
export function loadPlan(db: Database): Promise<StoredPlan | null> {
  return db.transaction((tx) => readPlanIn(tx), {
    isolationLevel: 'repeatable read',
    accessMode: 'read only',
  });
}

/** The plan as a transaction sees it. */
export async function readPlanIn(tx: Transaction): Promise<StoredPlan | null> {
  const [chain] = await tx.select().from(t.chain);
  if (!chain) return null;
  return { document: await readDocument(tx as unknown as Database, chain), version: chain.planVersion };
}

async function readDocument(db: Database, chain: typeof t.chain.$inferSelect): Promise<PlanDocument> {
  const money = amountColumn(chain.currency);
  const read = <E extends object>(of: Codec<E>, order: SQL) => entries(db, of, money, order);
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
    nodes: await read(codecs.nodes, asc(t.node.position)),
    items: await readItems(db, money),
    itemSets: await read(codecs.itemSets, asc(t.itemSet.id)),
    zones: await read(codecs.zones, asc(t.zone.id)),
    stores: await read(codecs.stores, asc(t.store.id)),
    storeGroups: await read(codecs.storeGroups, asc(t.storeGroup.id)),
    terminals: await read(codecs.terminals, asc(t.terminal.id)),
    ranges: await read(codecs.ranges, asc(t.range.id)),
    shopperGroups: await read(codecs.shopperGroups, asc(t.shopperGroup.id)),
    shoppers: await readShoppers(db, money),
    priceLists: await readPriceLists(db, money),
    promotions: await readPromotions(db),
  }) as unknown as PlanDocument;
}

/** All entries of a part of the plan. */
async function entries<E extends object>(
  db: Database,
  of: Codec<E>,
  money: AmountColumn,
  order: SQL,
): Promise<E[]> {
  const rows = await db.select().from(of.table).orderBy(order);
  return rows.map((row) => of.toEntry(row, money));
}

async function readItems(db: Database, money: AmountColumn): Promise<object[]> {
  const prices = new Map<string, PriceRowDocument[]>();
  for (const { sku, ...row } of await entries(db, codecs.prices, money, asc(t.itemPrice.id))) {
    const own = prices.get(sku);
    if (own) own.push(row);
    else prices.set(sku, [row]);
  }
  const items = await entries(db, codecs.items, money, asc(t.item.position));
  return items.map((item) => ({ ...item, prices: prices.get(item.sku) ?? [] }));
}

async function readShoppers(db: Database, money: AmountColumn): Promise<object[]> {
  const memberships = await db.select().from(t.shopperMembership).orderBy(asc(t.shopperMembership.group));
  const shoppers = await entries(db, codecs.shoppers, money, asc(t.shopper.id));
  return shoppers.map(({ id, ...rest }) => {
    const groups = memberships.filter(({ shopper }) => shopper === id).map(({ group }) => group);
    return { id, ...(groups.length > 0 ? { groups } : {}), ...rest };
  });
}

async function readPriceLists(db: Database, money: AmountColumn): Promise<object[]> {
  const prices = await entries(db, codecs.listPrices, money, asc(t.priceListPrice.sku));
  const lists = await entries(db, codecs.priceLists, money, asc(t.priceList.id));
  return lists.map((list) => {
    const own = prices.filter((one) => one.list === list.id).map(({ sku, price }) => [sku, price] as const);
    return own.length > 0 ? { ...list, prices: Object.fromEntries(own) } : list;
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
