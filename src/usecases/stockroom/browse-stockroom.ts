import { type Person, sees, type TablePage, type TableRow, writingOf } from '../../contracts/index.ts';
import { type Cells, entriesOf, type TableName, tableOf } from '../../contracts/table/index.ts';
import { dayOf, type Instant } from '../../core/calendar/index.ts';
import { formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { ItemRule, ItemSetDocument, PlanDocument, StoreRule } from '../../core/plan/index.ts';
import { compileItemRule, storesOf } from '../../core/selection/index.ts';
import { itemWords, namesOf, storeWords } from '../../core/sentence/index.ts';
import { countWords, dateWords, type Writing } from '../../core/writing/index.ts';
import { seenBy } from '../people/index.ts';
import { selectedItems } from '../plan/index.ts';
import type { CurrentPlan, ItemSearch, PlanBook, StockroomStore } from '../ports/index.ts';
import { cellNames, withNames } from './names-of-ids.ts';

export interface Browse {
  readonly table: TableName;
  readonly text: string;
  /** A field, or nothing for the table's own order. */
  readonly sort: string | null;
  readonly descending: boolean;
  readonly offset: number;
  readonly limit: number;
  /** Only what this rule selects, where the lens looks. */
  readonly rule: ItemRule | null;
  /** Only items that the store carries, each with the ranges through which. */
  readonly carried: boolean;
  /** Through which eyes: the store and the moment of the lens. */
  readonly store: string;
  readonly at: Instant;
  /** Whether the columns that stand in files alone are wanted too. */
  readonly filed?: boolean;
}

type Ports = { book: PlanBook; stockroom: StockroomStore };

/** A stretch of one table's rows, found, sorted and cut to what is looked at. */
export async function browseStockroom(ports: Ports, person: Person, browse: Browse): Promise<TablePage> {
  const current = await seenBy(ports.book, person);
  if (browse.table === 'items') return browseItems(ports, current, person, browse);
  const entries = await foundEntries(ports, current, person, browse);
  const table = tableOf(browse.table);
  const more = shownCells(browse.table, current, writingOf(person));
  const names = cellNames(current.document);
  const rowOf = (entry: object): TableRow => {
    const cells = { ...table.toRow(entry), ...more(entry) };
    return {
      key: table.keyOf(entry),
      // Files keep the ids: other programs know things by them.
      cells: browse.filed
        ? { ...cells, ...table.filedCells?.(entry) }
        : withNames(browse.table, cells, names),
    };
  };
  const { version } = current;
  const { offset, limit, sort } = browse;
  const byItem = isByItem(browse.table);
  // There may be a hundred thousand: only those that are looked at are made.
  if (byItem && sort === null)
    return { total: entries.length, rows: entries.slice(offset, offset + limit).map(rowOf), version };
  const all = entries.map(rowOf);
  const kept = byItem ? all : matching(all, browse.text);
  const sorted = sort ? kept.toSorted(byField(sort, browse.descending)) : kept;
  return { total: sorted.length, rows: sorted.slice(offset, offset + limit), version };
}

const isByItem = (table: TableName): boolean => ['prices', 'listPrices', 'setItems'].includes(table);

const SQL_SORTS: readonly string[] = ['sku', 'name', 'brand', 'gtin', 'cost', 'node', 'retired'];

async function browseItems(
  ports: Ports,
  current: CurrentPlan,
  person: Person,
  browse: Browse,
): Promise<TablePage> {
  const { document, compiled } = current;
  const through = browse.carried ? carriedThrough(current, browse) : null;
  const ruled = browse.rule && selectedItems(current, browse.rule, browse).map(({ sku }) => sku);
  const among = through ? (ruled ?? [...through.keys()]).filter((sku) => through.has(sku)) : ruled;
  const inMemory = browse.sort === 'price';
  const { skus, total } = await ports.stockroom.findItems({
    words: wordsOf(browse.text),
    among,
    sort: sortOf(browse, person),
    descending: browse.descending,
    offset: inMemory ? 0 : browse.offset,
    limit: inMemory ? null : browse.limit,
    counted: true,
  });
  const store = compiled.stores.get(browse.store)!;
  const shelf = compiled.shelf(store, dayOf(compiled.clockOf(store).toWall(browse.at)));
  const priceOf = (sku: string) => shelf[compiled.catalogue.indexOf.get(sku)!]!;
  const way = browse.descending ? -1 : 1;
  const shown = inMemory
    ? skus
        .toSorted((a, b) => way * (priceOf(a) - priceOf(b)))
        .slice(browse.offset, browse.offset + browse.limit)
    : skus;
  const { toRow } = tableOf('items');
  const names = cellNames(document);
  const rows = shown.flatMap((sku): TableRow[] => {
    const item = document.items[compiled.catalogue.indexOf.get(sku) ?? -1];
    if (!item) return [];
    const price = priceOf(sku);
    const words = price < 0 ? '' : formatAmount(price as MinorUnits, compiled.plan.currency);
    const ranges: Cells = through ? { through: through.get(sku)!.join(', ') } : {};
    const cells = { ...toRow(item), price: words, ...ranges };
    return [{ key: sku, cells: browse.filed ? cells : withNames('items', cells, names) }];
  });
  return { total, rows, version: current.version };
}

/** An order tells of what it is made from: by cost goes only who sees costs. */
function sortOf({ sort }: Browse, { costs }: Person): ItemSearch['sort'] {
  const known = sort !== null && SQL_SORTS.includes(sort) && (costs || sort !== 'cost');
  return known ? (sort as ItemSearch['sort']) : 'relevance';
}

/** The names of the ranges through which a store carries each item. */
function carriedThrough(
  { document, compiled }: CurrentPlan,
  { store: id, at }: Browse,
): Map<string, string[]> {
  const store = compiled.stores.get(id)!;
  const shelf = compiled.shelf(store, dayOf(compiled.clockOf(store).toWall(at)));
  const here = (document.ranges ?? []).filter(({ stores }) => storesOf(stores, compiled.plan).has(id));
  const selections = here.map(({ name, items }) => ({
    name,
    selection: compileItemRule(items, compiled.catalogue, compiled.plan.currency),
  }));
  const found = new Map<string, string[]>();
  shelf.forEach((price, index) => {
    if (price < 0) return;
    const names = selections
      .filter(({ selection }) => selection.has(index, price as MinorUnits))
      .map(({ name }) => name);
    found.set(compiled.catalogue.items[index]!.sku, names);
  });
  return found;
}

async function foundEntries(
  ports: Ports,
  { document }: CurrentPlan,
  person: Person,
  browse: Browse,
): Promise<readonly object[]> {
  const entries = entriesOf(document, browse.table).filter((entry) => isSeen(entry, browse.table, person));
  const words = wordsOf(browse.text);
  if (!isByItem(browse.table) || words.length === 0) return entries;
  const skus = await skusWith(ports.stockroom, words);
  return entries.filter((entry) => skus.has((entry as { sku: string }).sku));
}

/** The items whose SKU, barcode, name or brand holds every word. */
export async function skusWith(
  stockroom: StockroomStore,
  words: readonly string[],
): Promise<ReadonlySet<string>> {
  const { skus } = await stockroom.findItems({
    words,
    among: null,
    sort: 'position',
    descending: false,
    offset: 0,
    limit: null,
    counted: false,
  });
  return new Set(skus);
}

/** People of single stores see those, and what belongs to them. */
function isSeen(entry: object, table: TableName, person: Person): boolean {
  const { id, store } = entry as { id?: string; store?: string };
  if (table === 'stores') return sees(person, id!);
  return store === undefined || sees(person, store);
}

export const wordsOf = (text: string): string[] => text.toLowerCase().split(/\s+/).filter(Boolean);

function matching(rows: readonly TableRow[], text: string): readonly TableRow[] {
  const words = wordsOf(text);
  if (words.length === 0) return rows;
  return rows.filter(({ cells }) => {
    const all = Object.values(cells).join(' ').toLowerCase();
    return words.every((word) => all.includes(word));
  });
}

/** Numbers by their value, everything else as a reader would look it up; what is empty comes last. */
function byField(field: string, descending: boolean): (a: TableRow, b: TableRow) => number {
  const way = descending ? -1 : 1;
  const collator = new Intl.Collator('en', { numeric: true });
  return (a, b) => {
    const one = a.cells[field] ?? '';
    const other = b.cells[field] ?? '';
    if (one === '' || other === '') return one === other ? 0 : one === '' ? 1 : -1;
    return way * collator.compare(one, other);
  };
}

/** Cells that are worked out: what rules say and select, names behind ids. */
function shownCells(table: TableName, current: CurrentPlan, writing: Writing): (entry: object) => Cells {
  const { document, compiled } = current;
  const names = namesOf(document, writing);
  const countOf = (rule: ItemRule) => {
    const numbers = compileItemRule(rule, compiled.catalogue, compiled.plan.currency).numbers();
    return numbers ? `${countWords(numbers.length, writing)} items: ` : '';
  };
  const storeCount = (rule: StoreRule) => {
    const { size } = storesOf(rule, compiled.plan);
    return `${size} ${size === 1 ? 'store' : 'stores'}: ${storeWords(rule, names)}`;
  };
  const holds = (rule: ItemRule) => countOf(rule) + itemWords(rule, names);
  switch (table) {
    case 'itemSets':
      return (entry) => {
        const set = entry as ItemSetDocument;
        const state = set.frozen
          ? `frozen on ${dateWords(set.frozen.on.slice(0, 10), writing)}`
          : 'items' in set.rule
            ? 'by list'
            : 'live';
        return { holds: holds(set.rule), state };
      };
    case 'storeGroups':
      return (entry) => ({ holds: storeCount((entry as { rule: StoreRule }).rule) });
    case 'ranges':
      return (entry) => {
        const { stores, items } = entry as { stores: StoreRule; items: ItemRule };
        return { places: storeCount(stores), holds: holds(items) };
      };
    case 'priceLists':
      return (entry) => ({
        own: String(Object.keys((entry as { prices?: object }).prices ?? {}).length || ''),
      });
    default:
      return isByItem(table) ? named(document) : () => ({});
  }
}

function named(document: PlanDocument): (entry: object) => Cells {
  const names = new Map(document.items.map(({ sku, name }) => [sku, name]));
  return (entry) => ({ itemName: names.get((entry as { sku: string }).sku) ?? '' });
}
