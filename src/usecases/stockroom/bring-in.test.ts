import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import type { Matching } from '../../contracts/index.ts';
import { type Cells, entriesOf, TABLES, type TableName, tableOf } from '../../contracts/table/index.ts';
import { type BringIn, bringIn, type MatchingStore } from '../index.ts';
import { readSheetLines } from './index.ts';

const planner = person('planner');

function ports() {
  const kept = new Map<string, Matching>();
  const matchings: MatchingStore = {
    find: async (by, table, heads) => kept.get(JSON.stringify([by, table, heads])) ?? null,
    keep: async (by, table, heads, matching) => void kept.set(JSON.stringify([by, table, heads]), matching),
  };
  return { ...inMemory(SMALL), matchings };
}

const file = (heads: string[], rows: string[][], more: Partial<BringIn> = {}): BringIn => ({
  table: 'items' as TableName,
  heads,
  rows,
  lines: rows.map((_, row) => row + 2),
  matching: null,
  dry: true,
  now: Date.parse('2027-04-14T10:00:00Z') as never,
  onProgress: async () => {},
  ...more,
});

const HEADS = ['SKU', 'Description', 'Category', 'EAN', 'Cost price', 'Colour'];
const ROWS = [
  ['milk', 'Sun milk', 'sun', '', '12,00', 'red'],
  ['spray', 'Sun spray, new', 'sun', '', '4,00', ''],
  ['new-1', 'New', 'food', '2000000000329', '1.50', ''],
];

describe('a file that comes in', () => {
  it('is matched by what columns are called, and shows what it would do', async () => {
    const outcome = await bringIn(ports(), planner, file(HEADS, ROWS));
    expect(outcome).toMatchObject({
      ok: true,
      value: {
        matching: { SKU: 'sku', Description: 'name', Category: 'node', EAN: 'gtin', 'Cost price': 'cost' },
        remembered: false,
        rows: 3,
        added: 1,
        changed: 1,
        same: 1,
        refused: 0,
        done: false,
      },
    });
  });

  it('shows each cell that would change, before and after, and those that it would empty first', async () => {
    const heads = ['SKU', 'Description', 'Category', 'Brand', 'Cost price'];
    const outcome = await bringIn(
      ports(),
      planner,
      file(heads, [
        ['spray', 'Sun spray, new', 'sun', '', '4.00'],
        ['milk', 'Sun milk', 'Sun care', '', '12.50'],
      ]),
    );
    expect(outcome).toMatchObject({
      value: {
        changed: 2,
        cells: [
          { line: 3, label: 'Sun milk (milk)', column: 'Brand', before: 'Wrenfold', after: '' },
          { line: 2, label: 'Sun spray, new (spray)', column: 'Name', after: 'Sun spray, new' },
          { line: 3, column: 'Cost', before: '12.00', after: '12.50' },
        ],
      },
    });
    expect(outcome.ok && outcome.value.columns).toContainEqual({ column: 'Brand', changed: 1, emptied: 1 });
  });

  it('tells faults that are alike as one, with how many lines have it and where', async () => {
    const rows = Array.from({ length: 40 }, (_, i) => [`new-${i}`, `New ${i}`, `gone-${i}`]);
    const outcome = await bringIn(ports(), planner, file(['SKU', 'Description', 'Category'], rows));
    expect(outcome).toMatchObject({
      value: {
        refused: 40,
        faults: [{ line: 2, column: 'Category', count: 40, moreLines: [3, 4, 5, 6, 7] }],
      },
    });
    expect(outcome.ok && outcome.value.faults[0]!.message).toContain('gone-0');
  });

  it('is in once it is brought in; what it has no column for stays, and its matching is remembered', async () => {
    const all = ports();
    const chosen = { SKU: 'sku', Description: 'name', Category: 'node', Colour: 'tags' };
    const outcome = await bringIn(all, planner, file(HEADS, ROWS, { dry: false, matching: chosen }));
    expect(outcome).toMatchObject({ ok: true, value: { done: true, added: 1, changed: 2 } });
    const { document } = await all.book.current();
    expect(document.items.find(({ sku }) => sku === 'milk')).toMatchObject({
      brand: 'Wrenfold',
      cost: '12.00',
      tags: ['red'],
      prices: [{ price: '24.90' }],
    });
    const again = await bringIn(all, planner, file(HEADS, ROWS));
    expect(again).toMatchObject({ value: { remembered: true, matching: chosen, same: 3 } });
  });

  it('may be set right and looked at again without choosing its columns anew', async () => {
    const all = ports();
    const chosen = { Number: 'sku', Words: 'name', Where: 'node' };
    const heads = ['Number', 'Words', 'Where'];
    await bringIn(all, planner, file(heads, [['new-1', '', 'sun']], { matching: chosen }));
    const again = await bringIn(all, planner, file(heads, [['new-1', 'One', 'sun']]));
    expect(again).toMatchObject({ value: { remembered: true, matching: chosen, added: 1 } });
  });

  it('shows its first rows as they stand in it, also while its columns are not known', async () => {
    const rows = [['x', '1,5']];
    expect(await bringIn(ports(), planner, file(['Town', 'Price'], rows))).toMatchObject({
      value: { sample: rows },
    });
  });

  it.each(TABLES)('that was taken out of %s changes nothing when it comes in again', async (name) => {
    const all = ports();
    const table = tableOf(name);
    const cells = entriesOf(SMALL, name).map(
      (entry): Cells => ({ ...table.toRow(entry), ...table.filedCells?.(entry) }),
    );
    const heads = table.columns.filter(({ shown }) => !shown).map(({ field }) => field);
    const rows = cells.map((row) => heads.map((field) => row[field] ?? ''));
    const outcome = await bringIn(
      all,
      person('administrator'),
      file(heads, rows, { table: name, dry: false }),
    );
    expect(outcome).toMatchObject({
      ok: true,
      value: { rows: rows.length, same: rows.length, refused: 0, done: true },
    });
    expect((await all.book.current()).document).toEqual(SMALL);
  });

  it.each([
    ['{"node":"sun"}', null],
    ['{"nod":"sun"}', '"nod" is no field of this'],
    ['{"node":"nowhere"}', 'no group of goods "nowhere"'],
    ['{"set":"mine"}', '"mine" leads back to itself'],
    ['node sun', 'it is no JSON'],
  ])('brings a set with its rule %s, or says what is wrong with it', async (rule, wrong) => {
    const row = file(['Id', 'Name', 'Rule'], [['mine', 'Mine', rule]], { table: 'itemSets' });
    const outcome = await bringIn(ports(), planner, row);
    expect(outcome).toMatchObject({ ok: true, value: { added: wrong ? 0 : 1, refused: wrong ? 1 : 0 } });
    if (outcome.ok && wrong) expect(outcome.value.faults[0]).toMatchObject({ line: 2 });
    if (outcome.ok && wrong) expect(outcome.value.faults[0]!.message).toContain(wrong);
  });

  it('tells what is wrong line by line, and leaves everything as it was', async () => {
    const all = ports();
    const rows = [
      ['milk', 'Sun milk', 'sun', '123', '1.234', ''],
      ['new-1', 'One', 'nowhere', '', '', ''],
      ['new-2', 'Two', 'sun', '', '', ''],
      ['new-2', 'Two again', 'sun', '', '', ''],
      ['', 'Nameless', 'sun', '', '', ''],
    ];
    const outcome = await bringIn(all, planner, file(HEADS, rows, { dry: false }));
    expect(outcome).toMatchObject({
      ok: true,
      value: { done: false, added: 1, changed: 0, same: 0, refused: 4 },
    });
    if (!outcome.ok) return;
    const told = outcome.value.faults.map(({ line, column, message }) => `${line} ${column}: ${message}`);
    expect(told.toSorted()).toEqual([
      '2 Cost price: "1.234" has 3 decimals; wanted: at most 2 decimals: EUR has no more',
      '3 Category: no group of goods "nowhere"; wanted: the id of a group of goods in this plan',
      '5 SKU: line 4 is about the same item; wanted: one row for each',
      '6 SKU: nothing stands here; wanted: a value',
    ]);
    expect((await all.book.current()).version).toBe(1);
  });

  it('with wrong columns names those that it has', async () => {
    const outcome = await bringIn(ports(), planner, file(['Town', 'Price'], [['x', '1']]));
    expect(outcome).toMatchObject({
      value: {
        against: [
          'No column of the file is the item number; its columns are Town, Price. Say below which one it is.',
        ],
      },
    });
  });

  it('is not for everybody', async () => {
    expect(await bringIn(ports(), person('viewer'), file(HEADS, ROWS))).toEqual({
      ok: false,
      failure: { kind: 'forbidden' },
    });
    expect((await bringIn(ports(), planner, file(HEADS, ROWS, { table: 'stores' }))).ok).toBe(false);
  });

  it('says how far it is', async () => {
    const stages: string[] = [];
    const onProgress = async (stage: string, done: number, of: number) =>
      void stages.push(`${stage} ${done}/${of}`);
    await bringIn(ports(), planner, file(HEADS, ROWS, { onProgress, dry: false }));
    expect(stages).toEqual(['reading 3/3', 'checking 0/3', 'writing 0/3']);
  });
});

describe('lines of a worksheet out of a file', () => {
  const read = (heads: string[], rows: string[][]) =>
    readSheetLines(inMemory(SMALL), { heads, rows, lines: rows.map((_, row) => row + 2) });

  it('are numbers and new prices', async () => {
    expect(
      await read(
        ['Item number', 'Regular', 'New'],
        [
          ['milk', '24.90', '20,00'],
          ['oil', '8.00', ''],
        ],
      ),
    ).toEqual({
      lines: [{ sku: 'milk', place: null, price: '20.00' }],
      refused: [],
    });
  });

  it('say where they count, as a worksheet writes it or by id', async () => {
    const rows = [
      ['bar', 'The chain, 1 store', '0.90'],
      ['bar', 'Isles, 1 store', '1.00'],
      ['bar', 'west', '0.80'],
      ['milk', '', '20.00'],
    ];
    expect((await read(['Item number', 'Counts in', 'New'], rows)).lines).toEqual([
      { sku: 'bar', place: 'chain', price: '0.90' },
      { sku: 'bar', place: 'zone:isles', price: '1.00' },
      { sku: 'bar', place: 'store:west', price: '0.80' },
      { sku: 'milk', place: null, price: '20.00' },
    ]);
    const { refused } = await read(['Item number', 'Counts in', 'New'], [['bar', 'The moon', '1.00']]);
    expect(refused).toMatchObject([
      { line: 2, message: expect.stringContaining('no zone or store "The moon"') },
    ]);
  });

  it.each([
    [['Item number', 'New'], [['nobody', '1']], 'no item or barcode "nobody"'],
    [
      ['Item number', 'New'],
      [['milk', '1.005']],
      '"1.005" has 3 decimals; wanted: at most 2 decimals: EUR has no more',
    ],
    [
      ['Item number', 'New'],
      [
        ['milk', '1'],
        ['milk', '2'],
      ],
      'a second, other price for milk; wanted: one line for each item and place',
    ],
    [['Town'], [['x']], 'its columns are Town; wanted: one called Item number and one called New'],
  ])('%j %j are refused', async (heads, rows, message) => {
    expect((await read(heads, rows)).refused.at(-1)!.message).toBe(message);
  });
});
