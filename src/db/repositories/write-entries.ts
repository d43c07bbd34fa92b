import { sql } from 'drizzle-orm';
import type { EntryChange, SetItemEntry, TableName } from '../../contracts/table/index.ts';
import type { PriceListDocument, ShopperDocument } from '../../core/plan/index.ts';
import {
  type AmountColumn,
  amountColumn,
  type Codec,
  codecs,
  dropEntries,
  keyParts,
  ownPrices,
  putEntries,
} from '../codecs/index.ts';
import type { Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';

/** Writes new and changed entries, then takes away the ones that go. */
export async function writeEntries(tx: Transaction, change: EntryChange, currency: string): Promise<void> {
  const part = PARTS[change.table];
  if (change.puts.length > 0) await part.put(tx, change.puts as readonly never[], amountColumn(currency));
  if (change.drops.length > 0) await part.drop(tx, change.drops);
}

interface Part {
  put(tx: Transaction, entries: readonly never[], money: AmountColumn): Promise<void>;
  drop(tx: Transaction, keys: readonly string[]): Promise<void>;
}

/** A part of the plan whose entries are rows of one table. */
const rowed = <E extends object>(of: Codec<E>): Part => ({
  put: (tx, entries, money) => putEntries(tx, of, entries, money),
  drop: (tx, keys) => dropEntries(tx, of, keys),
});

const PARTS: Readonly<Record<TableName, Part>> = {
  items: rowed(codecs.items),
  prices: rowed(codecs.prices),
  nodes: rowed(codecs.nodes),
  itemSets: rowed(codecs.itemSets),
  setItems: { put: putSetItems, drop: dropSetItems },
  priceLists: { ...rowed(codecs.priceLists), put: putPriceLists },
  listPrices: rowed(codecs.listPrices),
  stores: { ...rowed(codecs.stores), drop: dropStores },
  zones: rowed(codecs.zones),
  storeGroups: rowed(codecs.storeGroups),
  ranges: rowed(codecs.ranges),
  terminals: rowed(codecs.terminals),
  shopperGroups: rowed(codecs.shopperGroups),
  shoppers: { ...rowed(codecs.shoppers), put: putShoppers },
};

/** With their own prices, which are all of them. */
async function putPriceLists(
  tx: Transaction,
  lists: readonly PriceListDocument[],
  money: AmountColumn,
): Promise<void> {
  await putEntries(tx, codecs.priceLists, lists, money);
  const ids = lists.map(({ id }) => id);
  await tx.delete(t.priceListPrice).where(sql`${t.priceListPrice.list} = any(${sql.param(ids)})`);
  await putEntries(tx, codecs.listPrices, ownPrices(lists), money);
}

/** With the groups that the plan says, which are all that it says. */
async function putShoppers(
  tx: Transaction,
  shoppers: readonly ShopperDocument[],
  money: AmountColumn,
): Promise<void> {
  await putEntries(tx, codecs.shoppers, shoppers, money);
  const ids = shoppers.map(({ id }) => id);
  await tx.delete(t.shopperMembership).where(sql`${t.shopperMembership.shopper} = any(${sql.param(ids)})`);
  const memberships = shoppers.flatMap(({ id, groups = [] }) =>
    groups.map((group) => ({ shopper: id, group })),
  );
  if (memberships.length > 0) await tx.insert(t.shopperMembership).values(memberships);
}

/** What was sent to a store goes with it: nobody is left to hold it. */
async function dropStores(tx: Transaction, ids: readonly string[]): Promise<void> {
  await tx.delete(t.priceFile).where(sql`${t.priceFile.store} = any(${sql.param([...ids])})`);
  await dropEntries(tx, codecs.stores, ids);
}

/** A set that is not there yet is made; the items join the list of one that is. */
async function putSetItems(tx: Transaction, entries: readonly SetItemEntry[]): Promise<void> {
  const list = sql`${JSON.stringify(entries)}::jsonb`;
  await tx.execute(sql`
    insert into item_set (id, name, rule)
    select r.set, coalesce(max(r.name), r.set), jsonb_build_object('items', jsonb_agg(distinct r.sku))
    from jsonb_to_recordset(${list}) as r(set text, name text, sku text) group by r.set
    on conflict (id) do update set rule = jsonb_build_object('items',
      (select jsonb_agg(distinct sku) from (
        select jsonb_array_elements_text(item_set.rule -> 'items') as sku
        union select jsonb_array_elements_text(excluded.rule -> 'items')) as both_lists))`);
  await tx.execute(sql`
    insert into rule_reference (of_item_set, item)
    select distinct r.set, r.sku from jsonb_to_recordset(${list}) as r(set text, sku text)
    where not exists (select from rule_reference f where f.of_item_set = r.set and f.item = r.sku)`);
}

async function dropSetItems(tx: Transaction, keys: readonly string[]): Promise<void> {
  await tx.execute(sql`
    update item_set s set rule = jsonb_build_object('items', (s.rule -> 'items') - gone.skus)
    from (select r.parts ->> 0 as id, array_agg(r.parts ->> 1) as skus
      from jsonb_to_recordset(${keyParts(keys)}) as r(parts jsonb) group by 1) as gone
    where s.id = gone.id and s.rule ? 'items'`);
  await tx.execute(sql`
    delete from rule_reference f using jsonb_to_recordset(${keyParts(keys)}) as r(parts jsonb)
    where f.of_item_set = r.parts ->> 0 and f.item = r.parts ->> 1`);
}
