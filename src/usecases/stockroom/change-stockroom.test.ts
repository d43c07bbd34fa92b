import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { Role } from '../../contracts/index.ts';
import type { TableName } from '../../contracts/table/index.ts';
import { changeStockroom, putEntry, type StockroomEdit } from '../index.ts';

const planner = person('planner');
const administrator = person('administrator');
type Asked = Partial<StockroomEdit> & Pick<StockroomEdit, 'table'>;
const edit = (asked: Asked): StockroomEdit => ({ edits: [], drops: [], ...asked });
const NOW = Date.parse('2027-04-14T10:00:00Z') as never;

const faultsOf = async (asked: Asked, document = SMALL) => {
  const outcome = await changeStockroom(inMemory(document), administrator, edit(asked), NOW);
  return outcome.ok || outcome.failure.kind !== 'invalid'
    ? outcome
    : outcome.failure.faults.map(({ path, what }) => `${path.join(' ')}: ${what}`);
};

describe('changing rows of the stockroom', () => {
  it('changes cells, adds rows and drops rows at once', async () => {
    const ports = inMemory(SMALL);
    const outcome = await changeStockroom(
      ports,
      planner,
      edit({
        table: 'prices',
        edits: [
          { key: ['bar', '', '', ''].join('\u001f'), cells: { price: '1,15' }, was: { price: '1.00' } },
          { key: null, cells: { sku: 'oil', place: 'zone:isles', since: '1.5.2027', price: '8.50' } },
        ],
        drops: [['bar', 'isles', '', ''].join('\u001f')],
      }),
      NOW,
    );
    expect(outcome).toMatchObject({ ok: true, value: { version: 2 } });
    const { document } = await ports.book.current();
    const pricesOf = (sku: string) => document.items.find((item) => item.sku === sku)!.prices;
    expect(pricesOf('bar')).toContainEqual({ price: '1.15' });
    expect(pricesOf('bar').some(({ zone }) => zone === 'isles')).toBe(false);
    expect(pricesOf('oil')).toContainEqual({ price: '8.50', zone: 'isles', since: '2027-05-01' });
  });

  it('moves a dated price to another day', async () => {
    const ports = inMemory(SMALL);
    const key = ['bar', '', '', '2027-06-01'].join('\u001f');
    await changeStockroom(
      ports,
      planner,
      edit({ table: 'prices', edits: [{ key, cells: { since: '2027-07-01' } }] }),
      NOW,
    );
    const { document } = await ports.book.current();
    const since = document.items.find(({ sku }) => sku === 'bar')!.prices.map((row) => row.since);
    expect(since).toContain('2027-07-01');
    expect(since).not.toContain('2027-06-01');
  });

  it.each<[Role, TableName, boolean]>([
    ['planner', 'items', true],
    ['planner', 'stores', false],
    ['administrator', 'stores', true],
    ['viewer', 'items', false],
    ['store', 'prices', false],
  ])('%s may change %s: %s', async (role, table, may) => {
    const outcome = await changeStockroom(inMemory(SMALL), person(role), edit({ table }), NOW);
    expect(outcome.ok).toBe(may);
    if (!outcome.ok) expect(outcome.failure).toEqual({ kind: 'forbidden' });
  });

  it('does not overwrite what somebody else changed since it was looked at', async () => {
    expect(
      await faultsOf({
        table: 'items',
        edits: [{ key: 'milk', cells: { name: 'Mine' }, was: { name: 'Older' } }],
      }),
    ).toEqual(['edits 0 name: somebody changed this to "Sun milk"']);
  });

  const undoneFrom = (cost: string) =>
    faultsOf({ table: 'items', edits: [{ key: 'spray', cells: { cost: '3.90' }, was: { cost } }] });
  it.each(['4', '4,00', '4.0'])('knows what was there by its meaning, as it was typed: %s', async (cost) => {
    expect(await undoneFrom(cost)).toMatchObject({ ok: true });
  });
  it.each(['4.01', 'four', ''])('does not take "%s" for what stands', async (cost) => {
    expect(await undoneFrom(cost)).toEqual(['edits 0 cost: somebody changed this to "4.00"']);
  });

  it('is checked again where somebody else changed the plan in between', async () => {
    const ports = inMemory(SMALL);
    const { change: save } = ports.stockroom;
    let asked = 0;
    const stockroom = {
      ...ports.stockroom,
      change: async (...words: Parameters<typeof save>) =>
        ++asked === 1 ? { kind: 'moved-on' as const } : save(...words),
    };
    const cells = { name: 'New' };
    const outcome = await changeStockroom(
      { ...ports, stockroom },
      planner,
      edit({ table: 'items', edits: [{ key: 'milk', cells }] }),
      NOW,
    );
    expect([outcome.ok, asked]).toEqual([true, 2]);
  });
});

describe('what the stockroom refuses', () => {
  const item = { sku: 'new', name: 'New', node: 'sun' };
  it.each<[string, Asked, string[]]>([
    [
      'an unknown row',
      { table: 'items', edits: [{ key: 'gone', cells: {} }] },
      ['edits 0 sku: this item is not there any more'],
    ],
    [
      'a second item of one number',
      { table: 'items', edits: [{ key: null, cells: { ...item, sku: 'milk' } }] },
      ['edits 0 sku: there is an item of this key already'],
    ],
    [
      'two rows for one key',
      {
        table: 'items',
        edits: [
          { key: null, cells: item },
          { key: null, cells: item },
        ],
      },
      ['edits 1 sku: row 1 is about the same item'],
    ],
    [
      'another number for an item',
      { table: 'items', edits: [{ key: 'milk', cells: { sku: 'cream' } }] },
      ['edits 0 sku: the id of an item stays as it is'],
    ],
    [
      'an unknown group of goods',
      { table: 'items', edits: [{ key: null, cells: { ...item, node: 'moon' } }] },
      ['edits 0 node: no group of goods "moon"'],
    ],
    [
      'a wrong check digit',
      { table: 'items', edits: [{ key: null, cells: { ...item, gtin: '2000000000320' } }] },
      ['edits 0 gtin: "2000000000320" is no GTIN'],
    ],
    [
      'a price with three decimals',
      {
        table: 'prices',
        edits: [{ key: null, cells: { sku: 'milk', since: '2027-01-01', price: '1.234' } }],
      },
      ['edits 0 price: "1.234" has 3 decimals'],
    ],
    [
      'a price of an unknown item',
      { table: 'prices', edits: [{ key: null, cells: { sku: 'nobody', price: '1' } }] },
      ['edits 0 sku: no item "nobody"'],
    ],
    [
      'an own price of an unknown list',
      { table: 'listPrices', edits: [{ key: null, cells: { list: 'gone', sku: 'milk', price: '1' } }] },
      ['edits 0 list: no price list "gone"'],
    ],
    [
      'an own price of an unknown item',
      { table: 'listPrices', edits: [{ key: null, cells: { list: 'own', sku: 'nobody', price: '1' } }] },
      ['edits 0 price: no item "nobody"'],
    ],
    [
      'a circle in the hierarchy',
      { table: 'nodes', edits: [{ key: 'beauty', cells: { parent: 'sun' } }] },
      ['edits 0 id: "beauty" leads back to itself'],
    ],
    [
      'a row of a set that is a rule',
      { table: 'setItems', edits: [{ key: null, cells: { set: 'summer', sku: 'gel-50' } }] },
      ['edits 0 set: this set is chosen by a rule'],
    ],
    [
      'an unknown item in a set',
      { table: 'setItems', edits: [{ key: null, cells: { set: 'mine', sku: 'nobody' } }] },
      ['edits 0 sku: no item "nobody"'],
    ],
  ])('%s', async (_, asked, faults) => {
    const told = (await faultsOf(asked)) as string[];
    expect(told.slice(0, faults.length)).toEqual(faults);
  });

  it('a barcode that another item bears', async () => {
    const document = {
      ...SMALL,
      items: SMALL.items.map((one) => (one.sku === 'milk' ? { ...one, gtin: '2000000000329' } : one)),
    };
    expect(
      await faultsOf({ table: 'items', edits: [{ key: 'oil', cells: { gtin: '2000000000329' } }] }, document),
    ).toEqual(['edits 0 gtin: 2000000000329 is the barcode of milk already']);
  });

  it('to take away what is still named, and says by whom', async () => {
    const document = withPromotions(change('a', { name: 'Sun days', items: { node: 'sun' } }));
    const told = (await faultsOf({ table: 'nodes', drops: ['sun'] }, document)) as string[];
    expect(told).toContain('drops sun id: the promotion “Sun days” still needs it: no group of goods "sun"');
    expect(told).toContain('drops sun id: the set “Summer” still needs it: no group of goods "sun"');
  });
});

describe('an entry with rules', () => {
  const summer = SMALL.itemSets![0]!;
  const put = (entry: object, was: object | null = summer) =>
    putEntry(inMemory(SMALL), planner, { table: 'itemSets', key: 'summer', entry, was }, NOW);

  it('is saved whole, and may be frozen', async () => {
    const frozen = { ...summer, rule: { items: ['milk'] }, frozen: { on: '2027-04-14', live: summer.rule } };
    expect(await put(frozen)).toMatchObject({ ok: true, value: { version: 2 } });
  });

  it.each([
    ['contains itself', { ...summer, rule: { not: { set: 'summer' } } }, 'leads back to itself'],
    ['names what is not there', { ...summer, rule: { node: 'moon' } }, 'no group of goods "moon"'],
    ['has the id of another', { ...summer, id: 'winter' }, 'the id of the address'],
    ['has no rule', { id: 'summer', name: 'Summer' }, '"rule" is missing'],
  ])('is refused where it %s', async (_, entry, what) => {
    const outcome = await put(entry);
    expect(outcome.ok).toBe(false);
    if (!outcome.ok && outcome.failure.kind === 'invalid')
      expect(outcome.failure.faults[0]!.what).toContain(what);
  });

  it('is not overwritten by the second of two', async () => {
    expect(await put(summer, { ...summer, name: 'Spring' })).toMatchObject({
      ok: false,
      failure: { kind: 'conflict', current: { name: 'Summer' } },
    });
  });
});

describe('a new row without an id', () => {
  const admin = person('administrator');
  const add = (ports: ReturnType<typeof inMemory>, ...rows: Record<string, string>[]) =>
    changeStockroom(
      ports,
      admin,
      { table: 'zones', edits: rows.map((cells) => ({ key: null, cells })), drops: [] },
      NOW,
    );

  it('has one made of its name, and a number behind it where that is taken', async () => {
    const ports = inMemory(SMALL);
    const named = { name: 'Städte am Meer' };
    expect(await add(ports, named, named)).toMatchObject({
      value: { keys: ['stadte-am-meer', 'stadte-am-meer-2'] },
    });
    expect(await add(ports, named, { id: 'own', name: 'Its own' })).toMatchObject({
      value: { keys: ['stadte-am-meer-3', 'own'] },
    });
  });

  it('still wants one where its name has no letter for it', async () => {
    expect(await add(inMemory(SMALL), { name: '海' })).toMatchObject({ failure: { kind: 'invalid' } });
  });
});
