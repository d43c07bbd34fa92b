import { isTimeZone } from '../calendar/index.ts';
import type { CheckContext } from '../checking/index.ts';
import {
  checkItemRule,
  checkRounding,
  checkStoreRule,
  groupsNamedBy,
  setsNamedBy,
} from '../checking/index.ts';
import { checkShoppers } from './check-shoppers.ts';
import { checkWindow } from './check-when.ts';
import { idsOnCycles } from './cycle.ts';
import type { ItemDocument } from './document.ts';
import { hasValidCheckDigit } from './gtin.ts';

/** Hierarchy, items, prices, sets, price lists. */
export function checkGoods(context: CheckContext): void {
  const { document } = context;
  unique(document.nodes, 'nodes', 'id', context);
  unique(document.items, 'items', 'sku', context);
  unique(document.itemSets ?? [], 'itemSets', 'id', context);
  document.nodes.forEach((node, i) => {
    if (node.parent !== undefined) context.reference('node', node.parent, ['nodes', i, 'parent']);
  });
  noCycle(document.nodes, 'nodes', ({ parent }) => (parent === undefined ? [] : [parent]), context);
  document.items.forEach((item, i) => {
    checkItem(item, i, context);
  });
  const parents = document.items.map(({ sku, parent }) => ({ id: sku, parent }));
  noCycle(parents, 'items', ({ parent }) => (parent === undefined ? [] : [parent]), context);
  (document.itemSets ?? []).forEach((set, i) => {
    checkItemRule(set.rule, ['itemSets', i, 'rule'], context);
    if (set.frozen) {
      context.date(set.frozen.on, ['itemSets', i, 'frozen', 'on']);
      checkItemRule(set.frozen.live, ['itemSets', i, 'frozen', 'live'], context);
    }
  });
  noCycle(document.itemSets ?? [], 'itemSets', ({ rule }) => setsNamedBy(rule), context);
  checkPriceLists(context);
}

function checkItem(item: ItemDocument, i: number, context: CheckContext): void {
  context.reference('node', item.node, ['items', i, 'node']);
  if (item.parent !== undefined) context.reference('item', item.parent, ['items', i, 'parent']);
  if (item.gtin !== undefined && !hasValidCheckDigit(item.gtin)) {
    context.fault(
      ['items', i, 'gtin'],
      `"${item.gtin}" is no GTIN`,
      '8, 12, 13 or 14 digits, the last one the check digit',
    );
  }
  context.amount(item.cost, ['items', i, 'cost']);
  context.date(item.retired, ['items', i, 'retired']);
  if (item.content && Number(item.content.amount) === 0)
    context.fault(['items', i, 'content', 'amount'], 'nothing is in it', 'an amount above zero');
  const seen = new Map<string, number>();
  item.prices.forEach((row, j) => {
    const path = ['items', i, 'prices', j];
    context.amount(row.price, [...path, 'price']);
    context.date(row.since, [...path, 'since']);
    if (row.zone !== undefined) context.reference('zone', row.zone, [...path, 'zone']);
    if (row.store !== undefined) context.reference('store', row.store, [...path, 'store']);
    if (row.zone !== undefined && row.store !== undefined) {
      context.fault(path, 'a price row with both a zone and a store', 'one of the two, or neither');
    }
    const key = JSON.stringify([row.zone, row.store, row.since]);
    const first = seen.get(key);
    if (first !== undefined) {
      context.fault(
        path,
        `a second price for the same place and date (the first is row ${first})`,
        'one price for a place and a date',
      );
    }
    seen.set(key, first ?? j);
  });
}

function checkPriceLists(context: CheckContext): void {
  unique(context.document.priceLists ?? [], 'priceLists', 'id', context);
  (context.document.priceLists ?? []).forEach((list, i) => {
    const path = ['priceLists', i];
    if (list.rounding) checkRounding(list.rounding, [...path, 'rounding'], context);
    for (const [sku, price] of Object.entries(list.prices ?? {})) {
      context.reference('item', sku, [...path, 'prices', sku]);
      context.amount(price, [...path, 'prices', sku]);
    }
  });
}

/** Stores, groups, terminals, ranges, shoppers. */
export function checkPlaces(context: CheckContext): void {
  const { document } = context;
  for (const key of [
    'zones',
    'stores',
    'storeGroups',
    'terminals',
    'ranges',
    'shopperGroups',
    'shoppers',
  ] as const) {
    unique<{ id: string }>(document[key] ?? [], key, 'id', context);
  }
  document.stores.forEach((store, i) => {
    if (!isTimeZone(store.timeZone)) {
      context.fault(
        ['stores', i, 'timeZone'],
        `no time zone "${store.timeZone}"`,
        'an IANA name such as Europe/Lisbon',
      );
    }
    if (store.zone !== undefined) context.reference('zone', store.zone, ['stores', i, 'zone']);
    (store.hours ?? []).forEach((window, j) => {
      checkWindow(window, ['stores', i, 'hours', j], context.fault);
    });
    for (const sku of Object.keys(store.shelves ?? {}))
      context.reference('item', sku, ['stores', i, 'shelves', sku]);
  });
  (document.storeGroups ?? []).forEach((group, i) => {
    checkStoreRule(group.rule, ['storeGroups', i, 'rule'], context);
  });
  noCycle(document.storeGroups ?? [], 'storeGroups', ({ rule }) => groupsNamedBy(rule), context);
  (document.terminals ?? []).forEach((terminal, i) => {
    context.reference('store', terminal.store, ['terminals', i, 'store']);
  });
  (document.ranges ?? []).forEach((range, i) => {
    checkStoreRule(range.stores, ['ranges', i, 'stores'], context);
    checkItemRule(range.items, ['ranges', i, 'items'], context);
  });
  checkShoppers(context);
}

/** Faults on the second and further entries with one id. */
export function unique<T extends object>(
  list: readonly T[],
  name: string,
  key: keyof T & string,
  context: CheckContext,
): void {
  const seen = new Set<unknown>();
  list.forEach((entry, i) => {
    if (seen.has(entry[key]))
      context.fault([name, i, key], `"${entry[key]}" stands twice`, 'one entry for each id');
    seen.add(entry[key]);
  });
}

function noCycle<T extends { id: string }>(
  list: readonly T[],
  name: string,
  next: (entry: T) => readonly string[],
  context: CheckContext,
): void {
  const byId = new Map(list.map((entry) => [entry.id, entry]));
  const looping = idsOnCycles([...byId.keys()], (id) =>
    next(byId.get(id)!).filter((other) => byId.has(other)),
  );
  list.forEach((entry, i) => {
    if (looping.has(entry.id))
      context.fault([name, i], `"${entry.id}" leads back to itself`, 'a chain that ends');
  });
}
