import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import { type Cells, entriesOf, TABLES, type TableName, tableOf } from '../../contracts/table/index.ts';
import { browseStockroom, changeStockroom } from '../index.ts';
import { cellNames, withIds, withNames } from './names-of-ids.ts';

const NAMES = cellNames(SMALL);
const NOW = Date.parse('2027-04-14T10:00:00Z') as never;

describe('cells that name something else', () => {
  it.each<[TableName, Cells, Cells]>([
    ['items', { node: 'sun' }, { node: 'Sun care' }],
    ['nodes', { parent: 'beauty' }, { parent: 'Beauty' }],
    ['prices', { place: 'zone:isles' }, { place: 'Isles' }],
    ['prices', { place: 'store:west' }, { place: 'West' }],
    ['prices', { place: 'chain' }, { place: 'the chain' }],
    ['stores', { zone: 'main', timeZone: 'Europe/Madrid' }, { zone: 'Mainland', timeZone: 'Madrid time' }],
    ['terminals', { store: 'east' }, { store: 'East' }],
    ['shopperGroups', { priceList: 'own' }, { priceList: 'Own prices only' }],
  ])('of %s show %j as %j, and take either', (table, ids, names) => {
    expect(withNames(table, ids, NAMES)).toEqual(names);
    expect(withIds(table, names, NAMES)).toEqual(ids);
    expect(withIds(table, ids, NAMES)).toEqual(ids);
  });

  it('say the id as well where two have one name, and leave alone what nobody knows', () => {
    const twins = cellNames({ ...SMALL, nodes: [...SMALL.nodes, { id: 'sun-2', name: 'sun care' }] });
    expect(withNames('items', { node: 'sun' }, twins)).toEqual({ node: 'Sun care (sun)' });
    expect(withIds('items', { node: 'sun care (SUN-2)' }, twins)).toEqual({ node: 'sun-2' });
    expect(withIds('items', { node: 'sun care' }, twins)).toEqual({ node: 'sun care' });
    expect(withNames('items', { node: 'gone' }, NAMES)).toEqual({ node: 'gone' });
  });

  it.each(TABLES)('of %s are as they were, there and back', (table) => {
    for (const entry of entriesOf(SMALL, table)) {
      const cells = tableOf(table).toRow(entry);
      expect(withIds(table, withNames(table, cells, NAMES), NAMES)).toEqual(cells);
    }
  });

  it('are shown by name in the table, by id in a file, and changed by name as they were seen', async () => {
    const ports = inMemory(SMALL);
    const look = async (filed: boolean) =>
      (
        await browseStockroom(ports, person('administrator'), {
          table: 'stores',
          text: '',
          sort: null,
          descending: false,
          offset: 0,
          limit: 9,
          rule: null,
          carried: false,
          store: 'east',
          at: NOW,
          filed,
        })
      ).rows[0]!.cells;
    expect([(await look(false)).zone, (await look(true)).zone]).toEqual(['Mainland', 'main']);
    const edits = [{ key: 'east', cells: { zone: 'Isles' }, was: { zone: 'Mainland' } }];
    const change = { table: 'stores' as const, edits, drops: [] };
    expect((await changeStockroom(ports, person('administrator'), change, NOW)).ok).toBe(true);
    expect((await look(true)).zone).toBe('isles');
  });
});
