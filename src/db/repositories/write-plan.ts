import { sql } from 'drizzle-orm';
import type { PlanDocument } from '../../core/plan/index.ts';
import {
  amountColumn,
  type Codec,
  codecs,
  insertRows,
  ownPrices,
  referencesOf,
  rowsOf,
} from '../codecs/index.ts';
import type { Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';

/**
 * Makes a checked document the whole plan of the chain, within the transaction given.
 * Terminals that stay keep their keys; people, sent files and the audit trail stay too where their stores do.
 */
export async function writePlan(tx: Transaction, document: PlanDocument): Promise<void> {
  const money = amountColumn(document.currency);
  const { id, keyHash, keyChangedAt, wholeAskedAt } = t.terminal;
  const terminalsBefore = await tx.select({ id, keyHash, keyChangedAt, wholeAskedAt }).from(t.terminal);
  const ownOf = new Map(terminalsBefore.map((own) => [own.id, own]));
  await setAside(tx);
  await empty(tx);
  const { items, promotions, shoppers = [], priceLists = [], terminals = [] } = document;
  const write = <E extends object>(of: Codec<E>, entries: readonly E[] = []) =>
    insertRows(tx, of.table, rowsOf(of, entries, money));
  await writeChain(tx, document);
  await write(codecs.zones, document.zones);
  await write(codecs.stores, document.stores);
  await write(codecs.storeGroups, document.storeGroups);
  const known = rowsOf(codecs.terminals, terminals, money) as { id: string }[];
  await insertRows(
    tx,
    t.terminal,
    known.map((row) => ({ ...row, ...ownOf.get(row.id) })),
  );
  await write(codecs.nodes, document.nodes);
  await write(
    codecs.items,
    items.map(({ prices: _, ...item }) => item),
  );
  await write(
    codecs.prices,
    items.flatMap(({ sku, prices }) => prices.map((row) => ({ sku, ...row }))),
  );
  await write(codecs.itemSets, document.itemSets);
  await write(codecs.ranges, document.ranges);
  await write(codecs.priceLists, priceLists);
  await write(codecs.listPrices, ownPrices(priceLists));
  await write(codecs.shopperGroups, document.shopperGroups);
  await write(codecs.shoppers, shoppers);
  const memberships = shoppers.flatMap(({ id, groups = [] }) =>
    groups.map((group) => ({ shopper: id, group })),
  );
  await insertRows(tx, t.shopperMembership, memberships);
  await write(codecs.promotions, promotions);
  const codes = promotions.flatMap((one) => (one.codes ?? []).map((code) => ({ promotion: one.id, code })));
  await insertRows(tx, t.promotionCode, codes);
  await insertRows(tx, t.ruleReference, [
    ...referencesOf(codecs.promotions, promotions),
    ...referencesOf(codecs.itemSets, document.itemSets ?? []),
    ...referencesOf(codecs.storeGroups, document.storeGroups ?? []),
    ...referencesOf(codecs.ranges, document.ranges ?? []),
  ]);
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
  { table: 'terminal_event', of: 'terminal' },
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
