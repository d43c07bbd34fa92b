import { sql } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import type { PlanDocument } from '../../core/plan/index.ts';
import * as t from '../schema/index.ts';
import { amountColumn } from './plan-rows.ts';
import type { Transaction } from './plan-version.ts';
import { toRow } from './promotion-rows.ts';
import { itemRuleTargets, promotionTargets, storeRuleTargets } from './rule-targets.ts';

/** Below PostgreSQL's limit of 65,535 parameters a statement, whatever the table. */
const ROWS_A_STATEMENT = 1000;

/**
 * Makes a checked document the whole plan of the chain, within the transaction given.
 * Terminals that stay keep their keys; people, sent files and the audit trail stay too where their stores do.
 */
export async function writePlan(tx: Transaction, document: PlanDocument): Promise<void> {
  const money = amountColumn(document.currency);
  const keys = await tx.select({ id: t.terminal.id, keyHash: t.terminal.keyHash }).from(t.terminal);
  const keyOf = new Map(keys.map(({ id, keyHash }) => [id, keyHash]));
  await setAside(tx);
  await empty(tx);
  const insert = (table: PgTable, rows: readonly object[]) => insertAll(tx, table, rows);
  await writeChain(tx, document);
  await insert(t.zone, document.zones ?? []);
  await insert(t.store, document.stores);
  await insert(t.storeGroup, document.storeGroups ?? []);
  await insert(
    t.terminal,
    (document.terminals ?? []).map((terminal) => ({ ...terminal, keyHash: keyOf.get(terminal.id) ?? null })),
  );
  await insert(
    t.node,
    parentsFirst(document.nodes, 'id').map((node, position) => ({ ...node, position })),
  );
  await insert(
    t.item,
    parentsFirst(
      document.items.map((item, position) => ({ ...item, position })),
      'sku',
    ).map(({ prices: _, cost, ...item }) => ({
      ...item,
      cost: cost === undefined ? null : money.toColumn(cost),
    })),
  );
  await insert(
    t.itemPrice,
    document.items.flatMap(({ sku, prices }) =>
      prices.map((row) => ({ ...row, sku, price: money.toColumn(row.price) })),
    ),
  );
  await insert(t.itemSet, document.itemSets ?? []);
  await insert(t.range, document.ranges ?? []);
  await insert(
    t.priceList,
    (document.priceLists ?? []).map(({ prices: _, ...list }) => list),
  );
  await insert(
    t.priceListPrice,
    (document.priceLists ?? []).flatMap(({ id, prices }) =>
      Object.entries(prices ?? {}).map(([sku, price]) => ({ list: id, sku, price: money.toColumn(price) })),
    ),
  );
  await insert(t.shopperGroup, document.shopperGroups ?? []);
  await insert(
    t.shopper,
    (document.shoppers ?? []).map(({ id, pastOrders, lifetimeSpend }) => ({
      id,
      pastOrders,
      lifetimeSpend: lifetimeSpend === undefined ? null : money.toColumn(lifetimeSpend),
    })),
  );
  await insert(
    t.shopperMembership,
    (document.shoppers ?? []).flatMap(({ id, groups }) =>
      (groups ?? []).map((group) => ({ shopper: id, group })),
    ),
  );
  await insert(t.promotion, document.promotions.map(toRow));
  await insert(
    t.promotionCode,
    document.promotions.flatMap(({ id, codes }) => (codes ?? []).map((code) => ({ promotion: id, code }))),
  );
  await insert(t.ruleReference, references(document));
  await putBack(tx);
}

async function writeChain(tx: Transaction, document: PlanDocument): Promise<void> {
  const row = {
    name: document.name ?? 'Chain',
    currency: document.currency,
    priceChangePolicy: document.policy?.priceChanges ?? 'priority',
    basketPolicy: document.policy?.baskets ?? 'best',
    marginFloor: document.policy?.marginFloor ?? null,
  };
  await tx.insert(t.chain).values(row).onConflictDoUpdate({ target: t.chain.id, set: row });
}

/** What belongs to a store or a terminal without being part of the plan. */
const KEPT = [
  { table: 'price_file', of: 'store' },
  { table: 'terminal_state', of: 'terminal' },
  { table: 'person_store', of: 'store' },
  { table: 'proposal', of: 'promotion' },
] as const;

async function setAside(tx: Transaction): Promise<void> {
  for (const { table } of KEPT)
    await tx.execute(sql.raw(`create temp table kept_${table} on commit drop as table ${table}`));
}

/** Comes back where its store or terminal stays; the rest goes with it. */
async function putBack(tx: Transaction): Promise<void> {
  for (const { table, of } of KEPT)
    await tx.execute(
      sql.raw(`insert into ${table} select kept.* from kept_${table} kept where exists
        (select from ${of} where ${of}.id = kept.${of})`),
    );
}

async function empty(tx: Transaction): Promise<void> {
  await tx.execute(sql`truncate table rule_reference, promotion_code, proposal, promotion, shopper_membership, shopper, shopper_group,
    price_list_price, price_list, range, item_set, item_price, item, node, terminal_state, price_file, person_store,
    terminal, store_group, store, zone cascade`);
}

async function insertAll(tx: Transaction, table: PgTable, rows: readonly object[]): Promise<void> {
  for (let i = 0; i < rows.length; i += ROWS_A_STATEMENT) {
    await tx.insert(table).values(rows.slice(i, i + ROWS_A_STATEMENT) as never);
  }
}

/** An entry that names a parent comes after it, so that its foreign key holds within one statement or many. */
function parentsFirst<T extends { parent?: string }, K extends keyof T>(list: readonly T[], key: K): T[] {
  const byId = new Map(list.map((entry) => [entry[key] as string, entry]));
  const placed = new Set<string>();
  const result: T[] = [];
  const place = (entry: T): void => {
    const id = entry[key] as string;
    if (placed.has(id)) return;
    const parent = entry.parent === undefined ? undefined : byId.get(entry.parent);
    if (parent) place(parent);
    placed.add(id);
    result.push(entry);
  };
  list.forEach(place);
  return result;
}

function references(document: PlanDocument): object[] {
  return [
    ...document.promotions.flatMap((p) =>
      promotionTargets(p).map((target) => ({ ofPromotion: p.id, ...target })),
    ),
    ...(document.itemSets ?? []).flatMap((set) =>
      itemRuleTargets(set.rule).map((target) => ({ ofItemSet: set.id, ...target })),
    ),
    ...(document.storeGroups ?? []).flatMap((group) =>
      storeRuleTargets(group.rule).map((target) => ({ ofStoreGroup: group.id, ...target })),
    ),
    ...(document.ranges ?? []).flatMap((range) =>
      [...itemRuleTargets(range.items), ...storeRuleTargets(range.stores)].map((target) => ({
        ofRange: range.id,
        ...target,
      })),
    ),
  ];
}
