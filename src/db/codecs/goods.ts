import type { ItemEntry, ListPriceEntry, PriceEntry } from '../../contracts/table/index.ts';
import type { ItemSetDocument, PlanDocument, PriceListDocument } from '../../core/plan/index.ts';
import * as t from '../schema/index.ts';
import { codec } from './codec.ts';
import { present } from './present.ts';
import { itemRuleTargets } from './rule-targets.ts';

export const nodes = codec<PlanDocument['nodes'][number], typeof t.node>({
  table: t.node,
  key: ['id'],
  own: ['position'],
  parents: 'parent',
  ordered: true,
  toRow: (node) => node,
  toEntry: ({ position: _, ...row }) => present(row) as PlanDocument['nodes'][number],
});

export const items = codec<ItemEntry, typeof t.item>({
  table: t.item,
  key: ['sku'],
  own: ['position', 'search'],
  parents: 'parent',
  ordered: true,
  toRow: ({ cost, ...item }, money) => ({
    unit: 'each',
    attributes: {},
    tags: [],
    ...item,
    cost: cost === undefined ? null : money.toColumn(cost),
  }),
  toEntry: ({ position: _, search: __, cost, attributes, tags, unit, ...item }, money) =>
    present({
      ...item,
      unit: unit === 'each' ? null : unit,
      cost: cost === null ? null : money.toText(cost),
      attributes: Object.keys(attributes).length > 0 ? attributes : null,
      tags: tags.length > 0 ? tags : null,
    }) as ItemEntry,
});

export const prices = codec<PriceEntry, typeof t.itemPrice>({
  table: t.itemPrice,
  key: ['sku', 'zone', 'store', 'since'],
  own: ['id'],
  toRow: (row, money) => ({ ...row, price: money.toColumn(row.price) }),
  toEntry: ({ id: _, price, ...row }, money) => present({ price: money.toText(price), ...row }) as PriceEntry,
});

export const itemSets = codec<ItemSetDocument, typeof t.itemSet>({
  table: t.itemSet,
  key: ['id'],
  toRow: (set) => set,
  toEntry: (row) => present(row) as ItemSetDocument,
  names: {
    owner: 'ofItemSet',
    targets: ({ rule, frozen }) => [
      ...itemRuleTargets(rule),
      ...(frozen ? itemRuleTargets(frozen.live) : []),
    ],
  },
});

export const priceLists = codec<Omit<PriceListDocument, 'prices'>, typeof t.priceList>({
  table: t.priceList,
  key: ['id'],
  toRow: ({ id, name, percent, rounding }) => ({ id, name, percent, rounding }),
  toEntry: (row) => present(row) as PriceListDocument,
});

export const listPrices = codec<ListPriceEntry, typeof t.priceListPrice>({
  table: t.priceListPrice,
  key: ['list', 'sku'],
  toRow: (row, money) => ({ ...row, price: money.toColumn(row.price) }),
  toEntry: ({ list, sku, price }, money) => ({ list, sku, price: money.toText(price) }),
});

/** The own prices of price lists, a row each. */
export const ownPrices = (lists: readonly PriceListDocument[]): ListPriceEntry[] =>
  lists.flatMap(({ id, prices: own }) =>
    Object.entries(own ?? {}).map(([sku, price]) => ({ list: id, sku, price })),
  );
