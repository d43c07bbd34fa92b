import type { Cells, TableName } from '../../contracts/table/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';

type Kind = 'node' | 'zone' | 'store' | 'priceList' | 'place' | 'clock' | 'account' | 'kinds';

/** Cells that name something of another table: people read its name, and may type either. */
const REFERS: Partial<Record<TableName, Readonly<Record<string, Kind>>>> = {
  items: { node: 'node' },
  nodes: { parent: 'node' },
  prices: { place: 'place' },
  stores: { zone: 'zone', timeZone: 'clock' },
  terminals: { store: 'store' },
  shopperGroups: { priceList: 'priceList' },
  shoppers: { priceList: 'priceList', account: 'account', groups: 'kinds' },
};

/** A cell of kinds of shopper names several. */
const mappedCell = (kind: Kind, text: string, map: (kind: Kind, text: string) => string): string =>
  kind === 'kinds'
    ? text
        .split(/[;,]/)
        .map((part) => map(kind, part.trim()))
        .join('; ')
    : map(kind, text);

type Named = readonly { readonly id: string; readonly name: string }[];

/** Cells with names in the place of ids. */
export function withNames(table: TableName, cells: Cells, names: CellNames): Cells {
  return mapped(table, cells, (kind, text) => names.nameOf(kind, text));
}

/** Cells with ids in the place of names; what is no name stays as it was typed. */
export function withIds(table: TableName, cells: Cells, names: CellNames): Cells {
  return mapped(table, cells, (kind, text) => names.idOf(kind, text));
}

function mapped(table: TableName, cells: Cells, map: (kind: Kind, text: string) => string): Cells {
  const fields = Object.entries(REFERS[table] ?? {}).filter(([field]) => cells[field]);
  if (fields.length === 0) return cells;
  return {
    ...cells,
    ...Object.fromEntries(fields.map(([field, kind]) => [field, mappedCell(kind, cells[field]!, map)])),
  };
}

/** The way between ids and names of one plan. */
export interface CellNames {
  nameOf(kind: Kind, id: string): string;
  idOf(kind: Kind, text: string): string;
}

export function cellNames(document: PlanDocument): CellNames {
  const zones = prefixed(document.zones, 'zone');
  const stores = prefixed(document.stores, 'store');
  const clocks = [...new Set(document.stores.map(({ timeZone }) => timeZone))];
  const kinds: Readonly<Record<Kind, Named>> = {
    node: document.nodes,
    zone: document.zones ?? [],
    store: document.stores,
    priceList: document.priceLists ?? [],
    place: [{ id: 'chain', name: 'the chain' }, ...zones, ...stores],
    account: (document.shoppers ?? []).map(({ id, name }) => ({ id, name: name ?? id })),
    kinds: document.shopperGroups ?? [],
    clock: clocks.map((id) => ({ id, name: clockName(id) })),
  };
  const tables = new Map(Object.entries(kinds).map(([kind, list]) => [kind, bothWays(list)]));
  return {
    nameOf: (kind, id) => tables.get(kind)!.names.get(id) ?? id,
    idOf: (kind, text) => {
      const { names, ids } = tables.get(kind)!;
      return names.has(text) ? text : (ids.get(text.trim().toLowerCase()) ?? text);
    },
  };
}

const prefixed = (list: Named | undefined, kind: string): Named =>
  (list ?? []).map(({ id, name }) => ({ id: `${kind}:${id}`, name }));

/** "Madrid time" of "Europe/Madrid". */
const clockName = (timeZone: string): string =>
  `${(timeZone.split('/').at(-1) ?? timeZone).replaceAll('_', ' ')} time`;

/** A name that two bear says nothing alone: its id stands behind it. */
function bothWays(list: Named): { names: Map<string, string>; ids: Map<string, string> } {
  const count = new Map<string, number>();
  for (const { name } of list) count.set(name.toLowerCase(), (count.get(name.toLowerCase()) ?? 0) + 1);
  const told = ({ id, name }: Named[number]) =>
    count.get(name.toLowerCase()) === 1 ? name : `${name} (${id.replace(/^(zone|store):/, '')})`;
  return {
    names: new Map(list.map((one) => [one.id, told(one)])),
    ids: new Map(list.map((one) => [told(one).toLowerCase(), one.id])),
  };
}
