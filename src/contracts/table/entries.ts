import type { Fault, ItemDocument, ItemSetDocument, PlanDocument } from '../../core/plan/index.ts';
import { KEY_MARK, type TableName } from './definition.ts';
import type { ItemEntry, PriceEntry } from './goods-tables.ts';
import type { ListPriceEntry } from './price-list-tables.ts';
import type { SetItemEntry } from './set-tables.ts';

/** New and changed entries of one table, and the keys of those that go. */
export interface EntryChange {
  readonly table: TableName;
  readonly puts: readonly object[];
  readonly drops: readonly string[];
}

/** Every entry of a table, in the order of the document. */
export function entriesOf(document: PlanDocument, table: TableName): readonly object[] {
  switch (table) {
    case 'items':
      return document.items.map(({ prices: _, ...item }) => item);
    case 'prices':
      return document.items.flatMap(({ sku, prices }) => prices.map((row) => ({ sku, ...row })));
    case 'listPrices':
      return (document.priceLists ?? []).flatMap(({ id, prices }) =>
        Object.entries(prices ?? {}).map(([sku, price]) => ({ list: id, sku, price })),
      );
    case 'setItems':
      return (document.itemSets ?? []).flatMap(({ id, name, rule }) =>
        'items' in rule ? rule.items.map((sku) => ({ set: id, name, sku })) : [],
      );
    default:
      return document[table] ?? [];
  }
}

/** The document with a change made; nothing is checked. What the change does not concern is shared. */
export function withEntries(
  document: PlanDocument,
  change: EntryChange,
  keyOf: (entry: object) => string,
): PlanDocument {
  const puts = new Map(change.puts.map((entry) => [keyOf(entry), entry]));
  const drops = new Set(change.drops);
  switch (change.table) {
    case 'items':
      return { ...document, items: withItems(document, puts as Map<string, ItemEntry>, drops) };
    case 'prices':
      return { ...document, items: withPrices(document, puts as Map<string, PriceEntry>, drops) };
    case 'listPrices':
      return {
        ...document,
        priceLists: withListPrices(document, puts as Map<string, ListPriceEntry>, drops),
      };
    case 'setItems':
      return { ...document, itemSets: withSetItems(document, puts as Map<string, SetItemEntry>, drops) };
    default:
      return {
        ...document,
        [change.table]: merged<object>(document[change.table] ?? [], puts, drops, keyOf),
      };
  }
}

function merged<T extends object>(
  list: readonly T[],
  puts: ReadonlyMap<string, object>,
  drops: ReadonlySet<string>,
  keyOf: (entry: object) => string,
): T[] {
  const rest = new Map(puts);
  const kept = list.flatMap((entry) => {
    const key = keyOf(entry);
    const put = rest.get(key);
    rest.delete(key);
    if (put) return [put as T];
    return drops.has(key) ? [] : [entry];
  });
  return [...kept, ...([...rest.values()] as T[])];
}

function withItems(
  { items }: PlanDocument,
  puts: ReadonlyMap<string, ItemEntry>,
  drops: ReadonlySet<string>,
): ItemDocument[] {
  const prices = new Map(items.flatMap(({ sku, prices }) => (puts.has(sku) ? [[sku, prices] as const] : [])));
  const whole = new Map([...puts].map(([sku, put]) => [sku, { ...put, prices: prices.get(sku) ?? [] }]));
  return merged(items, whole, drops, (item) => (item as ItemDocument).sku);
}

function withPrices(
  { items }: PlanDocument,
  puts: ReadonlyMap<string, PriceEntry>,
  drops: ReadonlySet<string>,
): ItemDocument[] {
  const keyOf = (sku: string, row: Omit<PriceEntry, 'sku'>) =>
    [sku, row.zone ?? '', row.store ?? '', row.since ?? ''].join(KEY_MARK);
  const skuOf = (key: string) => key.split(KEY_MARK, 1)[0]!;
  const concerned = new Set([...puts.keys(), ...drops].map(skuOf));
  const bySku = new Map<string, PriceEntry[]>();
  for (const put of puts.values()) bySku.set(put.sku, [...(bySku.get(put.sku) ?? []), put]);
  return items.map((item) => {
    if (!concerned.has(item.sku)) return item;
    const kept = item.prices.filter((row) => {
      const key = keyOf(item.sku, row);
      return !drops.has(key) && !puts.has(key);
    });
    const added = (bySku.get(item.sku) ?? []).map(({ sku: _, ...row }) => row);
    return { ...item, prices: [...kept, ...added] };
  });
}

function withListPrices(
  { priceLists = [] }: PlanDocument,
  puts: ReadonlyMap<string, ListPriceEntry>,
  drops: ReadonlySet<string>,
): NonNullable<PlanDocument['priceLists']> {
  return priceLists.map((list) => {
    const kept = Object.entries(list.prices ?? {}).filter(
      ([sku]) => !drops.has([list.id, sku].join(KEY_MARK)),
    );
    const added = [...puts.values()].filter((put) => put.list === list.id);
    const prices = Object.fromEntries([...kept, ...added.map(({ sku, price }) => [sku, price] as const)]);
    const { prices: _, ...rest } = list;
    return Object.keys(prices).length === 0 ? rest : { ...rest, prices };
  });
}

/** A set that is not there yet is made; one that is a rule stays one, and the reader of the file is told. */
function withSetItems(
  { itemSets = [] }: PlanDocument,
  puts: ReadonlyMap<string, SetItemEntry>,
  drops: ReadonlySet<string>,
): ItemSetDocument[] {
  const bySet = new Map<string, SetItemEntry[]>();
  for (const put of puts.values()) bySet.set(put.set, [...(bySet.get(put.set) ?? []), put]);
  const sets = itemSets.map((set) => {
    const added = bySet.get(set.id) ?? [];
    bySet.delete(set.id);
    if (!('items' in set.rule)) return set;
    const kept = set.rule.items.filter((sku) => !drops.has([set.id, sku].join(KEY_MARK)));
    return { ...set, rule: { items: [...new Set([...kept, ...added.map(({ sku }) => sku)])] } };
  });
  const made = [...bySet].map(([id, entries]) => ({
    id,
    name: entries.find(({ name }) => name)?.name ?? id,
    rule: { items: entries.map(({ sku }) => sku) },
  }));
  return [...sets, ...made];
}

/** The cell behind a fault of a whole document; null where it lies in no row of a table. */
export function cellOfFault(
  { path }: Fault,
  document: PlanDocument,
): { table: TableName; key: string; field: string } | null {
  const [part, index, field, ...deeper] = path;
  if (typeof part !== 'string' || typeof index !== 'number') return null;
  if (part === 'items') return itemCell(document.items[index]!, String(field ?? 'sku'), deeper);
  if (part === 'priceLists' && field === 'prices') {
    const { id } = document.priceLists![index]!;
    return { table: 'listPrices', key: [id, String(deeper[0])].join(KEY_MARK), field: 'price' };
  }
  const list = (document as unknown as Record<string, readonly { id: string }[]>)[part];
  const entry = list?.[index];
  return entry && part !== 'promotions'
    ? { table: part as TableName, key: entry.id, field: String(field ?? 'id') }
    : null;
}

function itemCell(item: ItemDocument, field: string, deeper: Fault['path']) {
  if (field !== 'prices') return { table: 'items' as const, key: item.sku, field };
  const [row, of] = deeper;
  const { zone = '', store = '', since = '' } = item.prices[row as number]!;
  const place = of === 'zone' || of === 'store' ? 'place' : String(of ?? 'since');
  return { table: 'prices' as const, key: [item.sku, zone, store, since].join(KEY_MARK), field: place };
}
