import { type SQL, sql } from 'drizzle-orm';
import type {
  EntryChange,
  ItemEntry,
  ListPriceEntry,
  PriceEntry,
  SetItemEntry,
  TableName,
} from '../../contracts/table/index.ts';
import { KEY_MARK } from '../../contracts/table/index.ts';
import type { ItemRule, ItemSetDocument, PriceListDocument, StoreRule } from '../../core/plan/index.ts';
import * as t from '../schema/index.ts';
import { type AmountColumn, amountColumn } from './plan-rows.ts';
import type { Transaction } from './plan-version.ts';
import { itemRuleTargets, storeRuleTargets } from './rule-targets.ts';

type Write = (tx: Transaction, entries: readonly never[], money: AmountColumn) => Promise<void>;

/** The rows of a statement travel as one JSON value, so that their number meets no limit of parameters. */
const rows = (list: readonly object[]): SQL => sql`${JSON.stringify(list)}::jsonb`;

/** Writes new and changed entries, then takes away the ones that go. */
export async function writeEntries(tx: Transaction, change: EntryChange, currency: string): Promise<void> {
  if (change.puts.length > 0)
    await WRITES[change.table](tx, change.puts as readonly never[], amountColumn(currency));
  if (change.drops.length > 0) await DROPS[change.table](tx, change.drops);
}

async function putItems(tx: Transaction, items: readonly ItemEntry[], money: AmountColumn): Promise<void> {
  const list = items.map(({ cost, ...item }) => ({
    unit: 'each',
    attributes: {},
    tags: [],
    ...item,
    cost: cost === undefined ? null : money.toColumn(cost),
  }));
  await tx.execute(sql`
    insert into item (sku, name, node, gtin, brand, parent, unit, weight, cost, attributes, tags, content, shelf,
      retired, position)
    select r.sku, r.name, r.node, r.gtin, r.brand, r.parent, r.unit, r.weight, r.cost, r.attributes,
      array(select jsonb_array_elements_text(r.tags)), r.content, r.shelf, r.retired,
      (select coalesce(max(position), 0) from item) + r.number
    from rows from (jsonb_to_recordset(${rows(list)}) as (sku text, name text, node text, gtin text, brand text,
      parent text, unit text, weight text, cost bigint, attributes jsonb, tags jsonb, content jsonb, shelf text,
      retired date))
      with ordinality as r(sku, name, node, gtin, brand, parent, unit, weight, cost, attributes, tags, content, shelf,
        retired, number)
    on conflict (sku) do update set name = excluded.name, node = excluded.node, gtin = excluded.gtin,
      brand = excluded.brand, parent = excluded.parent, unit = excluded.unit, weight = excluded.weight,
      cost = excluded.cost, attributes = excluded.attributes, tags = excluded.tags, content = excluded.content,
      shelf = excluded.shelf, retired = excluded.retired`);
}

async function putPrices(tx: Transaction, prices: readonly PriceEntry[], money: AmountColumn): Promise<void> {
  const list = prices.map((row) => ({ ...row, price: money.toColumn(row.price) }));
  await tx.execute(sql`
    insert into item_price (sku, zone, store, since, price)
    select * from jsonb_to_recordset(${rows(list)}) as r(sku text, zone text, store text, since date, price bigint)
    on conflict on constraint item_price_one_a_day do update set price = excluded.price`);
}

async function putListPrices(
  tx: Transaction,
  prices: readonly ListPriceEntry[],
  money: AmountColumn,
): Promise<void> {
  const list = prices.map((row) => ({ ...row, price: money.toColumn(row.price) }));
  await tx.execute(sql`
    insert into price_list_price (list, sku, price)
    select * from jsonb_to_recordset(${rows(list)}) as r(list text, sku text, price bigint)
    on conflict (list, sku) do update set price = excluded.price`);
}

/** A set that is not there yet is made; the items join the list of one that is. */
async function putSetItems(tx: Transaction, entries: readonly SetItemEntry[]): Promise<void> {
  const list = rows(entries);
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

async function putNodes(tx: Transaction, nodes: readonly object[]): Promise<void> {
  await tx.execute(sql`
    insert into node (id, name, parent, position)
    select r.id, r.name, r.parent, (select coalesce(max(position), 0) from node) + r.number
    from rows from (jsonb_to_recordset(${rows(nodes)}) as (id text, name text, parent text))
      with ordinality as r(id, name, parent, number)
    on conflict (id) do update set name = excluded.name, parent = excluded.parent`);
}

const putZones = (tx: Transaction, zones: readonly object[]) =>
  put(tx, sql`zone`, sql`id text, name text`, sql`name = excluded.name`, zones);

async function putStores(tx: Transaction, stores: readonly object[]): Promise<void> {
  await tx.execute(sql`
    insert into store (id, name, time_zone, zone, region, tags, hours, shelves)
    select r.id, r.name, r."timeZone", r.zone, r.region, array(select jsonb_array_elements_text(coalesce(r.tags, '[]'))),
      r.hours, r.shelves
    from jsonb_to_recordset(${rows(stores)}) as r(id text, name text, "timeZone" text, zone text, region text, tags jsonb,
      hours jsonb, shelves jsonb)
    on conflict (id) do update set name = excluded.name, time_zone = excluded.time_zone, zone = excluded.zone,
      region = excluded.region, tags = excluded.tags, hours = excluded.hours, shelves = excluded.shelves`);
}

async function putTerminals(tx: Transaction, terminals: readonly object[]): Promise<void> {
  await tx.execute(sql`
    insert into terminal (id, store, tags)
    select r.id, r.store, array(select jsonb_array_elements_text(coalesce(r.tags, '[]')))
    from jsonb_to_recordset(${rows(terminals)}) as r(id text, store text, tags jsonb)
    on conflict (id) do update set store = excluded.store, tags = excluded.tags`);
}

const putShopperGroups = (
  tx: Transaction,
  groups: readonly { id: string; name: string; priceList?: string }[],
) =>
  put(
    tx,
    sql`shopper_group`,
    sql`id text, name text, price_list text`,
    sql`name = excluded.name, price_list = excluded.price_list`,
    groups.map(({ priceList, ...group }) => ({ ...group, price_list: priceList })),
  );

async function putPriceLists(
  tx: Transaction,
  lists: readonly PriceListDocument[],
  money: AmountColumn,
): Promise<void> {
  await put(
    tx,
    sql`price_list`,
    sql`id text, name text, percent integer, rounding jsonb`,
    sql`name = excluded.name, percent = excluded.percent, rounding = excluded.rounding`,
    lists.map(({ prices: _, ...list }) => list),
  );
  const own = lists.flatMap(({ id, prices }) =>
    Object.entries(prices ?? {}).map(([sku, price]) => ({ list: id, sku, price })),
  );
  await tx.execute(sql`delete from price_list_price where list in ${lists.map(({ id }) => id)}`);
  if (own.length > 0) await putListPrices(tx, own, money);
}

interface StoreGroup {
  readonly id: string;
  readonly rule: StoreRule;
}
interface Range {
  readonly id: string;
  readonly stores: StoreRule;
  readonly items: ItemRule;
}

async function putItemSets(tx: Transaction, sets: readonly ItemSetDocument[]): Promise<void> {
  await put(
    tx,
    sql`item_set`,
    sql`id text, name text, rule jsonb, frozen jsonb`,
    sql`name = excluded.name, rule = excluded.rule, frozen = excluded.frozen`,
    sets,
  );
  await referTo(tx, sql`of_item_set`, sets, ({ rule, frozen }) => [
    ...itemRuleTargets(rule),
    ...(frozen ? itemRuleTargets(frozen.live) : []),
  ]);
}

async function putStoreGroups(tx: Transaction, groups: readonly StoreGroup[]): Promise<void> {
  await put(
    tx,
    sql`store_group`,
    sql`id text, name text, rule jsonb`,
    sql`name = excluded.name, rule = excluded.rule`,
    groups,
  );
  await referTo(tx, sql`of_store_group`, groups, ({ rule }) => storeRuleTargets(rule));
}

async function putRanges(tx: Transaction, ranges: readonly Range[]): Promise<void> {
  await put(
    tx,
    sql`range`,
    sql`id text, name text, stores jsonb, items jsonb`,
    sql`name = excluded.name, stores = excluded.stores, items = excluded.items`,
    ranges,
  );
  await referTo(tx, sql`of_range`, ranges, ({ stores, items }) => [
    ...storeRuleTargets(stores),
    ...itemRuleTargets(items),
  ]);
}

/** Rows whose columns bear the names that the JSON has. */
async function put(
  tx: Transaction,
  table: SQL,
  columns: SQL,
  update: SQL,
  entries: readonly object[],
): Promise<void> {
  await tx.execute(sql`insert into ${table} select * from jsonb_to_recordset(${rows(entries)}) as r(${columns})
    on conflict (id) do update set ${update}`);
}

/** Makes the names in an owner's rules foreign keys anew. */
async function referTo<Owner extends { id: string }>(
  tx: Transaction,
  column: SQL,
  owners: readonly Owner[],
  targetsOf: (owner: Owner) => ReturnType<typeof itemRuleTargets>,
): Promise<void> {
  const list = owners.flatMap((owner) =>
    targetsOf(owner).map(({ itemSet, storeGroup, ...target }) => ({
      owner: owner.id,
      ...target,
      item_set: itemSet,
      store_group: storeGroup,
    })),
  );
  await tx.execute(sql`delete from rule_reference where ${column} in ${owners.map(({ id }) => id)}`);
  await tx.execute(sql`
    insert into rule_reference (${column}, item, node, item_set, store, store_group, zone)
    select * from jsonb_to_recordset(${rows(list)})
      as r(owner text, item text, node text, item_set text, store text, store_group text, zone text)`);
}

const WRITES: Readonly<Record<TableName, Write>> = {
  items: putItems,
  prices: putPrices,
  nodes: putNodes,
  itemSets: putItemSets,
  setItems: putSetItems,
  priceLists: putPriceLists,
  listPrices: putListPrices,
  stores: putStores,
  zones: putZones,
  storeGroups: putStoreGroups,
  ranges: putRanges,
  terminals: putTerminals,
  shopperGroups: putShopperGroups,
};

type Drop = (tx: Transaction, keys: readonly string[]) => Promise<unknown>;
const byId =
  (table: SQL): Drop =>
  (tx, ids) =>
    tx.execute(sql`delete from ${table} where id in ${ids}`);
const partsOf = (keys: readonly string[]) => rows(keys.map((key) => ({ parts: key.split(KEY_MARK) })));

const DROPS: Readonly<Record<TableName, Drop>> = {
  items: (tx, skus) => tx.execute(sql`delete from item where sku in ${skus}`),
  prices: (tx, keys) =>
    tx.execute(sql`
      delete from item_price p using jsonb_to_recordset(${partsOf(keys)}) as r(parts jsonb)
      where p.sku = r.parts ->> 0 and coalesce(p.zone, '') = r.parts ->> 1 and coalesce(p.store, '') = r.parts ->> 2
        and coalesce(p.since::text, '') = r.parts ->> 3`),
  listPrices: (tx, keys) =>
    tx.execute(sql`
      delete from price_list_price p using jsonb_to_recordset(${partsOf(keys)}) as r(parts jsonb)
      where p.list = r.parts ->> 0 and p.sku = r.parts ->> 1`),
  async setItems(tx, keys) {
    await tx.execute(sql`
      update item_set s set rule = jsonb_build_object('items', (s.rule -> 'items') - gone.skus)
      from (select r.parts ->> 0 as id, array_agg(r.parts ->> 1) as skus
        from jsonb_to_recordset(${partsOf(keys)}) as r(parts jsonb) group by 1) as gone
      where s.id = gone.id and s.rule ? 'items'`);
    await tx.execute(sql`
      delete from rule_reference f using jsonb_to_recordset(${partsOf(keys)}) as r(parts jsonb)
      where f.of_item_set = r.parts ->> 0 and f.item = r.parts ->> 1`);
  },
  nodes: byId(sql`node`),
  itemSets: byId(sql`item_set`),
  priceLists: byId(sql`price_list`),
  zones: byId(sql`zone`),
  storeGroups: byId(sql`store_group`),
  ranges: byId(sql`range`),
  terminals: byId(sql`terminal`),
  shopperGroups: byId(sql`shopper_group`),
  async stores(tx, ids) {
    // What was sent to a store goes with it: nobody is left to hold it.
    await tx.delete(t.priceFile).where(sql`${t.priceFile.store} in ${ids}`);
    await byId(sql`store`)(tx, ids);
  },
};
