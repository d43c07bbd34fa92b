import { describe, expect, it } from 'vitest';
import { TABLES } from '../../contracts/table/index.ts';
import { pageOf, sheetColumns } from './columns.ts';

describe('the columns of a table as a sheet shows them', () => {
  it.each(TABLES)('of %s can be changed by nobody who may not', (table) => {
    expect(
      sheetColumns(table, { edits: false, carried: false, costs: true }).some(({ editable }) => editable),
    ).toBe(false);
  });

  it.each([
    [
      'items',
      [
        'name',
        'node',
        'brand',
        'gtin',
        'cost',
        'unit',
        'weight',
        'content',
        'shelf',
        'parent',
        'tags',
        'attributes',
        'retired',
      ],
    ],
    ['prices', ['place', 'since', 'price']],
    ['itemSets', ['name']],
    ['listPrices', ['price']],
    ['setItems', ['name']],
  ] as const)('of %s let %j be changed: what a thing is called by stays', (table, fields) => {
    const editable = sheetColumns(table, { edits: true, carried: false, costs: true }).filter(
      (column) => column.editable,
    );
    expect(editable.map(({ field }) => field)).toEqual(fields);
  });

  it('say nothing of costs, not even an empty column, to who does not see them', () => {
    const fields = sheetColumns('items', { edits: true, carried: false, costs: false }).map(
      ({ field }) => field,
    );
    expect(fields).not.toContain('cost');
    expect(fields).toContain('unit');
  });

  it('of a store’s items say through which range, beside the price there', () => {
    const fields = sheetColumns('items', { edits: false, carried: true, costs: true }).map(
      ({ field }) => field,
    );
    expect(fields).toEqual(['sku', 'name', 'price', 'through', 'node', 'brand', 'gtin']);
  });
});

it.each([
  ['items', { sku: 'a/b' }, { href: '/stockroom/item/~YS9i?x', field: 'sku' }],
  ['prices', { sku: 'a' }, { href: '/stockroom/item/a?x', field: 'sku' }],
  ['ranges', { id: 'core' }, { href: '/stockroom/range/core?x', field: 'id' }],
  ['zones', { id: 'z' }, null],
] as const)('a row of %s with %j leads to %j', (table, cells, page) => {
  expect(pageOf(table, cells, '?x')).toEqual(page);
});
