import { describe, expect, it } from 'vitest';
import { chain } from '../../../demo/chain.ts';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import { currencyOf } from '../../core/money/index.ts';
import { checkPlan, type PlanDocument } from '../../core/plan/index.ts';
import { cellOfFault, entriesOf, KEY_MARK, TABLES, type TableName, tableOf, withEntries } from './index.ts';

const EUR = { currency: currencyOf('EUR')! };
const CHAIN: PlanDocument = {
  ...chain({ stores: 9, zones: 4, terminals: 12, items: 300, priceChanges: 4 }, '2027-04-14'),
  priceLists: [
    ...SMALL.priceLists!,
    { id: 'ends', name: 'Ends', rounding: { endings: ['0.49', '0.99'], per: '10.00', mode: 'nearest' } },
  ],
};

/** A list of tags that is empty means what none means. */
const withoutEmptyTags = (entry: { tags?: string[] }): object => {
  const { tags, ...rest } = entry;
  return tags?.length ? entry : rest;
};

describe('a row of texts', () => {
  it.each(TABLES)('of %s comes back as the entry that it was made of', (name) => {
    const table = tableOf(name);
    const entries = [...entriesOf(CHAIN, name), ...entriesOf(SMALL, name)];
    for (const entry of entries) {
      const read = table.fromRow(table.toRow(entry), entry, EUR);
      expect(read).toEqual({ ok: true, entry: withoutEmptyTags(entry) });
    }
  });

  it.each<TableName>(['itemSets', 'storeGroups', 'ranges'])(
    'of %s has its rules with it in a file',
    (name) => {
      const table = tableOf(name);
      const entries = [...entriesOf(CHAIN, name), ...entriesOf(SMALL, name)];
      expect(entries.length).toBeGreaterThan(1);
      for (const entry of entries) {
        const row = { ...table.toRow(entry), ...table.filedCells!(entry) };
        expect(table.fromRow(row, null, EUR)).toEqual({ ok: true, entry });
      }
    },
  );

  it.each<[TableName, Record<string, string>, Record<string, string>]>([
    ['items', {}, { sku: 'nothing stands here', name: 'nothing stands here', node: 'nothing stands here' }],
    ['items', { sku: 'a', name: 'A', node: 'n', cost: 'x' }, { cost: '"x" is no amount' }],
    ['items', { sku: 'a', name: 'A', node: 'n', unit: 'box' }, { unit: '"box" is not known here' }],
    ['items', { sku: 'a', name: 'A', node: 'n', weight: '1.2345' }, { weight: '"1.2345" is no weight' }],
    ['items', { sku: 'a', name: 'A', node: 'n', attributes: 'red' }, { attributes: '"red" has no name' }],
    ['items', { sku: 'a', name: 'A', node: 'n', retired: 'soon' }, { retired: '"soon" is no day' }],
    ['prices', { sku: 'a', place: 'shelf', price: '1' }, { place: '"shelf" is no place of a price' }],
    ['prices', { sku: 'a', price: '' }, { price: 'nothing stands here' }],
    ['priceLists', { id: 'a', name: 'A', percent: 'ten' }, { percent: '"ten" is no percentage' }],
    ['priceLists', { id: 'a', name: 'A', rounding: 'up' }, { rounding: '"up" is no rounding' }],
    ['listPrices', { list: 'a', sku: 'b' }, { price: 'nothing stands here' }],
    ['itemSets', { id: 'a', name: 'A', rule: 'node: sun' }, { rule: 'it is no JSON' }],
  ])('of %s that says %j is refused', (name, row, wanted) => {
    const read = tableOf(name).fromRow(row, null, EUR);
    expect(read.ok).toBe(false);
    if (!read.ok)
      expect(Object.fromEntries(read.faults.map(({ field, what }) => [field, what]))).toEqual(wanted);
  });

  it.each<[string, object | null]>([
    ['0.25 l', { amount: '0.25', unit: 'l' }],
    ['500 g', { amount: '0.5', unit: 'kg' }],
    ['75ml', { amount: '0.075', unit: 'l' }],
    ['1,5 kg', { amount: '1.5', unit: 'kg' }],
    ['20 pieces', { amount: '20', unit: 'piece' }],
    ['5 mg', { amount: '0.000005', unit: 'kg' }],
    ['0 ml', null],
    ['0.1 mg', null],
    ['much', null],
  ])('may say a content of %s as packs do', (content, wanted) => {
    const read = tableOf('items').fromRow({ sku: 'a', name: 'A', node: 'n', content }, null, EUR);
    expect(read.ok && (read.entry as { content?: object }).content).toEqual(wanted ?? false);
  });

  it.each<[string, object[] | null, string?]>([
    [
      'mon-sat 8:00-20:00',
      [{ days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat'], from: '08:00', to: '20:00' }],
    ],
    [
      'sat-mon 9:00-24:00',
      [{ days: ['mon', 'sat', 'sun'], from: '09:00', to: '24:00' }],
      'mon,sat,sun 09:00-24:00',
    ],
    ['Sunday 10:00 – 16:00', [{ days: ['sun'], from: '10:00', to: '16:00' }], 'sun 10:00-16:00'],
    ['8:00-20:00', [{ from: '08:00', to: '20:00' }], '08:00-20:00'],
    ['mon 8:00', null],
    ['mon 8:00-25:00', null],
    ['someday 8:00-9:00', null],
  ])('may say hours as %s, and says them again', (hours, wanted, again = 'mon-sat 08:00-20:00') => {
    const stores = tableOf('stores');
    const row = { id: 's', name: 'S', timeZone: 'Europe/Madrid', hours };
    const read = stores.fromRow(row, { ...SMALL.stores[0]!, shelves: { milk: '1' } }, EUR);
    expect(read.ok).toBe(wanted !== null);
    if (!read.ok) return;
    expect(read.entry).toMatchObject({ hours: wanted, shelves: { milk: '1' } });
    expect(stores.toRow(read.entry)).toMatchObject({ hours: again });
  });

  it('may be written as people write: decimal commas, spaces in barcodes, day-first dates', () => {
    const row = { sku: 'a', name: 'A', node: 'n', cost: '7,5', gtin: '2000 0000 00329', retired: '1.3.2027' };
    expect(tableOf('items').fromRow(row, null, EUR)).toMatchObject({
      entry: { cost: '7.50', gtin: '2000000000329', retired: '2027-03-01' },
    });
  });
});

describe('a change of entries', () => {
  it.each(TABLES)('of %s that puts what stands there changes nothing', (table) => {
    const puts = entriesOf(CHAIN, table).slice(0, 5);
    const next = withEntries(CHAIN, { table, puts, drops: [] }, tableOf(table).keyOf);
    expect(entriesOf(next, table)).toHaveLength(entriesOf(CHAIN, table).length);
    expect(new Set(entriesOf(next, table).map((one) => JSON.stringify(one)))).toEqual(
      new Set(entriesOf(CHAIN, table).map((one) => JSON.stringify(one))),
    );
  });

  it.each(TABLES)('of %s takes away what is dropped, and nothing else', (table) => {
    const { keyOf } = tableOf(table);
    const [first] = entriesOf(CHAIN, table);
    if (!first) return expect(table).toBe('setItems');
    const next = withEntries(CHAIN, { table, puts: [], drops: [keyOf(first)] }, keyOf);
    expect(entriesOf(next, table).map(keyOf)).toEqual(
      entriesOf(CHAIN, table)
        .map(keyOf)
        .filter((key) => key !== keyOf(first)),
    );
  });

  it('of sets by list makes a set that is not there yet', () => {
    const puts = [
      { set: 'picnic', name: 'Picnic', sku: 'milk' },
      { set: 'picnic', sku: 'bar' },
    ];
    const next = withEntries(SMALL, { table: 'setItems', puts, drops: [] }, tableOf('setItems').keyOf);
    expect(next.itemSets).toContainEqual({ id: 'picnic', name: 'Picnic', rule: { items: ['milk', 'bar'] } });
  });
});

it.each<[string, object, object]>([
  [
    'the barcode of an item',
    { items: [{ sku: 'a', name: 'A', node: 'sun', gtin: '123', prices: [] }] },
    { table: 'items', key: 'a', field: 'gtin' },
  ],
  [
    'a price of an item',
    { items: [{ sku: 'a', name: 'A', node: 'sun', prices: [{ price: '1.00', zone: 'nowhere' }] }] },
    { table: 'prices', key: ['a', 'nowhere', '', ''].join(KEY_MARK), field: 'place' },
  ],
  [
    'an own price of a list',
    { priceLists: [{ id: 'l', name: 'L', prices: { nobody: '1.00' } }] },
    { table: 'listPrices', key: ['l', 'nobody'].join(KEY_MARK), field: 'price' },
  ],
  [
    'the clock of a store',
    { stores: [{ id: 's', name: 'S', timeZone: 'Mars' }] },
    { table: 'stores', key: 's', field: 'timeZone' },
  ],
])('the fault of %s is found again in its table', (_, part, wanted) => {
  const document: PlanDocument = {
    ...{ format: 'bell-tag-plan', version: 1, currency: 'EUR' },
    nodes: SMALL.nodes,
    items: [],
    stores: [],
    promotions: [],
    ...part,
  } as PlanDocument;
  expect(cellOfFault(checkPlan(document)[0]!, document)).toEqual(wanted);
});
