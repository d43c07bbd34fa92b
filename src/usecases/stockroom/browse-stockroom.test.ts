import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import { type Browse, browseStockroom, lookAtStore } from '../index.ts';

const PLAN: PlanDocument = {
  ...SMALL,
  ranges: [
    { id: 'sun', name: 'Sun range', stores: { all: true }, items: { node: 'sun' } },
    { id: 'coast', name: 'Coast range', stores: { region: 'Coast' }, items: { items: ['milk', 'bar'] } },
  ],
  itemSets: [
    ...SMALL.itemSets!,
    {
      id: 'old',
      name: 'Old',
      rule: { items: ['milk'] },
      frozen: { on: '2027-04-01', live: { node: 'sun' } },
    },
    { id: 'picnic', name: 'Picnic', rule: { items: ['bar', 'milk'] } },
  ],
};
const at = Date.parse('2027-04-14T10:00:00Z') as never;
const browse = (asked: Partial<Browse> & Pick<Browse, 'table'>, who = person('planner')) =>
  browseStockroom(inMemory(PLAN), who, {
    text: '',
    sort: null,
    descending: false,
    offset: 0,
    limit: 50,
    rule: null,
    carried: false,
    store: 'east',
    at,
    ...asked,
  });
const cellsOf = async (field: string, ...asked: Parameters<typeof browse>) =>
  (await browse(...asked)).rows.map(({ cells }) => cells[field]);

describe('the items of the stockroom', () => {
  it('come with the regular price at the store of the lens; what it does not carry has none', async () => {
    expect(await cellsOf('price', { table: 'items' })).toEqual([
      '24.90',
      '10.00',
      '8.00',
      '',
      '',
      '',
      '1.00',
      '',
    ]);
    expect(await cellsOf('price', { table: 'items', store: 'west' })).toEqual([
      '24.90',
      '10.00',
      '8.00',
      '',
      '',
      '',
      '',
      '',
    ]);
  });

  it('are sorted by that price, what has none first', async () => {
    const prices = await cellsOf('price', { table: 'items', sort: 'price', descending: true, limit: 4 });
    expect(prices).toEqual(['24.90', '10.00', '8.00', '1.00']);
  });

  it('are narrowed by words and by a rule, and cut to a stretch', async () => {
    expect(await browse({ table: 'items', text: 'sun', limit: 1, offset: 1 })).toMatchObject({
      total: 3,
      rows: [{ key: 'spray' }],
    });
    expect(
      await cellsOf('sku', { table: 'items', rule: { allOf: [{ node: 'sun' }, { not: { tag: 'new' } }] } }),
    ).toEqual(['spray', 'oil']);
  });

  it('that a store carries say through which ranges', async () => {
    const through = async (store: string) =>
      (await browse({ table: 'items', carried: true, store })).rows.map(
        ({ key, cells }) => `${key}: ${cells.through}`,
      );
    expect(await through('east')).toEqual([
      'milk: Sun range, Coast range',
      'spray: Sun range',
      'oil: Sun range',
      'bar: Coast range',
    ]);
    expect(await through('west')).toEqual(['milk: Sun range', 'spray: Sun range', 'oil: Sun range']);
  });
});

describe('the other tables', () => {
  it('say what rules hold, and whether a set is live, a list or frozen', async () => {
    const { rows } = await browse({ table: 'itemSets' });
    expect(rows.map(({ cells }) => [cells.name, cells.state, cells.holds])).toEqual([
      ['Summer', 'live', '4 items: Sun care and Oat bar'],
      ['Old', 'frozen on Thu 1 Apr 2027', '1 items: Sun milk'],
      ['Picnic', 'by list', '2 items: Oat bar and Sun milk'],
    ]);
    expect(await cellsOf('places', { table: 'ranges' })).toEqual([
      '2 stores: all stores',
      '1 store: region Coast',
    ]);
    expect(await cellsOf('holds', { table: 'storeGroups' })).toEqual(['1 store: stores tagged city']);
    expect(await cellsOf('own', { table: 'priceLists' })).toEqual(['1', '', '1']);
  });

  it('are found by any cell, and sorted as a reader would look them up', async () => {
    expect(await cellsOf('id', { table: 'stores', text: 'lisbon' })).toEqual(['west']);
    expect(await cellsOf('name', { table: 'nodes', sort: 'name', descending: true })).toEqual([
      'Sun care',
      'Food',
      'Beauty',
    ]);
    expect(await cellsOf('parent', { table: 'nodes', sort: 'parent' })).toEqual(['Beauty', '', '']);
  });

  it('of single items are found by the item, whose name stands beside', async () => {
    const { rows, total } = await browse({ table: 'prices', text: 'oat' });
    expect(total).toBe(4);
    expect(rows[0]!.cells).toEqual({
      sku: 'bar',
      place: 'the chain',
      since: '',
      price: '1.00',
      itemName: 'Oat bar',
    });
    expect(await cellsOf('price', { table: 'prices', text: 'oat', sort: 'price' })).toEqual([
      '0.90',
      '1.00',
      '1.10',
      '1.20',
    ]);
    expect(await cellsOf('sku', { table: 'setItems' })).toEqual(['milk', 'bar', 'milk']);
  });

  it('show a store’s people what belongs to their stores, and what belongs to all', async () => {
    const atEast = person('store', ['east']);
    expect(await cellsOf('id', { table: 'stores' }, atEast)).toEqual(['east']);
    expect(await cellsOf('id', { table: 'terminals' }, atEast)).toEqual(['east-1']);
    // The row of a zone in which no store of theirs lies is not among them.
    expect(await cellsOf('place', { table: 'prices', text: 'oat' }, atEast)).toEqual([
      'the chain',
      'the chain',
    ]);
  });
});

describe('one store', () => {
  it('belongs to groups, and carries through ranges', async () => {
    expect(await lookAtStore(inMemory(PLAN), person('planner'), 'east')).toEqual({
      name: 'East',
      timeZone: 'Europe/Madrid',
      zone: 'Mainland',
      region: 'Coast',
      groups: ['City stores'],
      terminals: ['east-1'],
      ranges: [
        { id: 'sun', name: 'Sun range', items: 3, words: 'Sun care' },
        { id: 'coast', name: 'Coast range', items: 2, words: 'Sun milk and Oat bar' },
      ],
    });
  });
  it('is null where there is none', async () => {
    expect(await lookAtStore(inMemory(PLAN), person('planner'), 'nowhere')).toBeNull();
  });
});
