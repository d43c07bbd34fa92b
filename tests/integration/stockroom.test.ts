import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { type EntryChange, type TableName, tableOf, withEntries } from '../../src/contracts/table/index.ts';
import type { PlanDocument } from '../../src/core/plan/index.ts';
import {
  type Database,
  draftRepository,
  loadPlan,
  matchingRepository,
  planRepository,
  planVersion,
  promotionRepository,
  schema,
  stockroomRepository,
  templateRepository,
} from '../../src/db/index.ts';
import { livePlanBook } from '../../src/server/standing/live-plan-book.ts';
import type { ItemSearch } from '../../src/usecases/index.ts';
import { change, SMALL } from '../plans/small-plan.ts';
import { freshDatabase } from './fresh-database.ts';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
  await db.insert(schema.person).values({ id: 'ines', name: 'Ines', email: 'ines@x.example' });
});
afterAll(() => drop());

const PLAN: PlanDocument = {
  ...SMALL,
  name: 'Small',
  ranges: [{ id: 'all', name: 'All', stores: { all: true }, items: { all: true } }],
  itemSets: [...SMALL.itemSets!, { id: 'picnic', name: 'Picnic', rule: { items: ['bar', 'milk'] } }],
};
beforeEach(() => planRepository(db).replace(PLAN, 'basil'));

const BY = { person: 'ines', action: 'changed', standing: [] };
const key = (...parts: string[]) => parts.join('\u001f');

/** Lists and keys in one order, however they come; a list of tags that is empty means what none means. */
const sorted = (document: PlanDocument): unknown =>
  JSON.parse(JSON.stringify(document), (name, value) => {
    if (name === 'tags' && Array.isArray(value) && value.length === 0) return undefined;
    if (Array.isArray(value))
      return value.toSorted((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1));
    return value && typeof value === 'object'
      ? Object.fromEntries(Object.entries(value).toSorted(([a], [b]) => (a < b ? -1 : 1)))
      : value;
  });

describe('a change of the stockroom', () => {
  it.each<[TableName, Omit<EntryChange, 'table'>]>([
    [
      'items',
      {
        puts: [
          {
            sku: 'milk',
            name: 'Sun milk, new',
            node: 'sun',
            tags: ['x', 'y'],
            attributes: { size: '50' },
            cost: '1.23',
            retired: '2027-09-01',
          },
          {
            sku: 'brush',
            name: 'Brush',
            node: 'beauty',
            gtin: '2000000000329',
            weight: '0.1',
            unit: 'kg',
            brand: 'B',
          },
          { sku: 'brush-2', name: 'Brush 2', node: 'beauty', parent: 'brush' },
        ],
        drops: ['unpriced'],
      },
    ],
    [
      'prices',
      {
        puts: [
          { sku: 'bar', price: '1.05' },
          { sku: 'bar', store: 'west', since: '2027-05-01', price: '0.80' },
          { sku: 'oil', zone: 'isles', price: '9.00' },
        ],
        drops: [key('bar', '', '', '2027-06-01'), key('bar', 'isles', '', '')],
      },
    ],
    [
      'nodes',
      {
        puts: [
          { id: 'food', name: 'Food and drink' },
          { id: 'tea', name: 'Tea', parent: 'food' },
        ],
        drops: [],
      },
    ],
    [
      'itemSets',
      {
        puts: [
          {
            id: 'summer',
            name: 'Summer',
            rule: { items: ['milk'] },
            frozen: { on: '2027-04-14', live: { node: 'sun' } },
          },
          { id: 'new', name: 'New', rule: { allOf: [{ set: 'picnic' }, { not: { brand: 'x' } }] } },
        ],
        drops: [],
      },
    ],
    [
      'setItems',
      {
        puts: [
          { set: 'picnic', sku: 'oil' },
          { set: 'other', name: 'Other', sku: 'gel-50' },
        ],
        drops: [key('picnic', 'bar')],
      },
    ],
    [
      'priceLists',
      {
        puts: [
          {
            id: 'own',
            name: 'Own',
            percent: -100,
            rounding: { step: '0.05', mode: 'up' },
            prices: { milk: '20.00' },
          },
          { id: 'club', name: 'Club', percent: 250 },
        ],
        drops: [],
      },
    ],
    [
      'listPrices',
      {
        puts: [
          { list: 'own', sku: 'oil', price: '7.00' },
          { list: 'own', sku: 'milk', price: '19.00' },
        ],
        drops: [key('members', 'spray')],
      },
    ],
    [
      'stores',
      {
        puts: [
          {
            id: 'north',
            name: 'North',
            timeZone: 'Europe/Lisbon',
            zone: 'main',
            region: 'Coast',
            tags: ['city'],
          },
          {
            id: 'east',
            name: 'East End',
            timeZone: 'Europe/Madrid',
            zone: 'main',
            region: 'Coast',
            tags: ['city'],
          },
        ],
        drops: [],
      },
    ],
    ['zones', { puts: [{ id: 'north', name: 'North' }], drops: [] }],
    [
      'storeGroups',
      {
        puts: [
          {
            id: 'some',
            name: 'Some',
            rule: { anyOf: [{ stores: ['west'] }, { zone: 'main' }] },
          },
        ],
        drops: ['city'],
      },
    ],
    [
      'ranges',
      {
        puts: [{ id: 'core', name: 'Core', stores: { group: 'city' }, items: { node: 'sun' } }],
        drops: ['all'],
      },
    ],
    ['terminals', { puts: [{ id: 'east-2', store: 'east', tags: ['kiosk'] }], drops: ['west-1'] }],
    ['shopperGroups', { puts: [{ id: 'club', name: 'Club', priceList: 'own' }], drops: ['students'] }],
  ])(
    'of %s stands in the database as it does in the document, and a server catches up with it',
    async (table, part) => {
      const asked = { table, ...part };
      const book = livePlanBook(db);
      await book.current();
      const before = (await loadPlan(db))!;
      const saved = await stockroomRepository(db).change(asked, before.version, BY);
      expect(saved).toEqual({ kind: 'saved', version: before.version + 1 });
      const wanted = sorted(withEntries(before.document, asked, tableOf(table).keyOf));
      expect(sorted((await loadPlan(db))!.document)).toEqual(wanted);
      expect(sorted((await book.current()).document)).toEqual(wanted);
    },
  );

  it('is written only where the plan still stands as it was checked', async () => {
    const version = (await planVersion(db))!;
    const puts = [{ sku: 'milk', name: 'Mine', node: 'sun' }];
    const repository = stockroomRepository(db);
    expect(await repository.change({ table: 'items', puts, drops: [] }, version - 1, BY)).toEqual({
      kind: 'moved-on',
    });
    expect(await planVersion(db)).toBe(version);
  });

  it('of thousands of rows is written at once, and read anew by servers', async () => {
    const book = livePlanBook(db);
    const { version } = await book.current();
    const puts = Array.from({ length: 3000 }, (_, i) => ({ sku: `n-${i}`, name: `New ${i}`, node: 'food' }));
    await stockroomRepository(db).change({ table: 'items', puts, drops: [] }, version, BY);
    expect((await book.current()).document.items).toHaveLength(SMALL.items.length + 3000);
  });

  it('takes what was sent to a store away with it', async () => {
    const drops = ['west'];
    const version = (await planVersion(db))!;
    const terminals = stockroomRepository(db);
    await terminals.change({ table: 'terminals', puts: [], drops: ['west-1'] }, version, BY);
    await terminals.change(
      { table: 'prices', puts: [], drops: [key('bar', '', 'west', '2027-05-01')] },
      version + 1,
      BY,
    );
    expect(await terminals.change({ table: 'stores', puts: [], drops }, version + 2, BY)).toMatchObject({
      kind: 'saved',
    });
    expect((await loadPlan(db))!.document.stores.map(({ id }) => id)).toEqual(['east']);
  });

  it('cannot take away what a rule of another still names', async () => {
    const version = (await planVersion(db))!;
    await expect(
      stockroomRepository(db).change({ table: 'nodes', puts: [], drops: ['sun'] }, version, BY),
    ).rejects.toThrow();
    expect(await planVersion(db)).toBe(version);
  });
});

describe('the search for items', () => {
  const find = async (search: Partial<ItemSearch>) =>
    (
      await stockroomRepository(db).findItems({
        words: [],
        among: null,
        sort: 'relevance',
        descending: false,
        offset: 0,
        limit: 10,
        counted: false,
        ...search,
      })
    ).skus;

  it.each<[Partial<ItemSearch>, string[]]>([
    [{ words: ['sun', 'spr'] }, ['spray']],
    [{ words: ['wren'] }, ['milk']],
    [{ words: ['oil'] }, ['oil']],
    [{ words: ['100%'] }, []],
    [{ words: ['_'] }, []],
    [{ words: ['gel'], among: ['gel-50', 'milk'] }, ['gel-50']],
    [{ sort: 'name', limit: 3 }, ['gel', 'gel-50', 'gel-90']],
    [{ sort: 'cost', descending: true, limit: 2 }, ['milk', 'spray']],
    [{ sort: 'sku', offset: 6 }, ['spray', 'unpriced']],
  ])('%j finds %j', async (search, skus) => {
    expect(await find(search)).toEqual(skus);
  });

  it.each([['gel'], ['gel-50'], ['sun'], ['e'], ['sun m'], ['s', 'o']])(
    'for %j begins as the whole order of what it finds',
    async (...words) => {
      const all = await find({ words, limit: null });
      expect(all.length).toBeGreaterThan(0);
      for (const limit of [1, 2, 50]) expect(await find({ words, limit })).toEqual(all.slice(0, limit));
    },
  );

  it('counts all of them, however few are asked for', async () => {
    const { total } = await stockroomRepository(db).findItems({
      words: ['gel'],
      among: null,
      sort: 'position',
      descending: false,
      offset: 0,
      limit: 1,
      counted: true,
    });
    expect(total).toBe(3);
  });
});

describe('what people keep', () => {
  it('is a draft each for themselves, the newest first, until it is dropped', async () => {
    const drafts = draftRepository(db);
    await drafts.keep('ines', 'a', { name: 'first' }, null);
    await drafts.keep('ines', 'b', { name: 'other' }, 3);
    await drafts.keep('ines', 'a', { name: 'second' }, null);
    expect(await drafts.all('ines')).toMatchObject([
      { key: 'a', draft: { name: 'second' }, revision: null },
      { key: 'b', revision: 3 },
    ]);
    expect(await drafts.find('rufus', 'a')).toBeNull();
    await drafts.drop('ines', 'a');
    expect((await drafts.all('ines')).map((draft) => draft.key)).toEqual(['b']);
  });

  it('is a template, replaced by one of the same name', async () => {
    const templates = templateRepository(db);
    const id = await templates.put('Weekend', change('a'), 'ines');
    expect(await templates.put('Weekend', change('b'), 'ines')).toBe(id);
    expect(await templates.all()).toMatchObject([{ id, name: 'Weekend', promotion: { id: 'b' } }]);
    expect([await templates.drop(id), await templates.drop(id)]).toEqual([true, false]);
  });

  it('is which column was which, for a file of the same heads', async () => {
    const matchings = matchingRepository(db);
    await matchings.keep('ines', 'items', ['A', 'B'], { A: 'sku' });
    await matchings.keep('ines', 'items', ['A', 'B'], { A: 'sku', B: 'name' });
    expect(await matchings.find('ines', 'items', ['A', 'B'])).toEqual({ A: 'sku', B: 'name' });
    expect(await matchings.find('ines', 'items', ['B', 'A'])).toBeNull();
    expect(await matchings.find('ines', 'prices', ['A', 'B'])).toBeNull();
  });

  it('is a promotion whole, terms, badge, worksheet and all', async () => {
    const promotion = {
      ...change('whole', { items: { items: ['milk'] }, linePrices: { milk: '20.00' } }),
      badge: { default: 'Deal' },
      supplier: { to: '2027-03-14', costs: { milk: '10.00' }, uplift: 5000 },
    };
    const worksheet = {
      passes: [{ items: { node: 'sun' }, formula: { percentOff: 1000 } }],
      own: { oil: '7.00' },
      removed: ['spray'],
    };
    const whole = { ...promotion, offer: { ...promotion.offer, worksheet } } as never;
    await promotionRepository(db).save(whole, null, BY);
    expect((await promotionRepository(db).find('whole'))!.promotion).toEqual(whole);
  });
});

describe('many promotions at once', () => {
  it('are saved all of them', async () => {
    const repository = promotionRepository(db);
    const saves = ['a', 'b'].map((id) => ({
      promotion: change(id),
      revision: null,
      action: 'copied',
      standing: [],
    }));
    expect(await repository.saveAll(saves, 'ines')).toEqual({ kind: 'saved' });
    expect((await repository.all()).map(({ promotion }) => promotion.id)).toEqual(['a', 'b']);
  });

  it('or none, where somebody else saved one of them', async () => {
    const repository = promotionRepository(db);
    await repository.save(change('b'), null, BY);
    const saves = ['a', 'b'].map((id) => ({
      promotion: change(id),
      revision: null,
      action: 'copied',
      standing: [],
    }));
    expect(await repository.saveAll(saves, 'ines')).toEqual({ kind: 'stale', id: 'b' });
    expect((await repository.all()).map(({ promotion }) => promotion.id)).toEqual(['b']);
  });
});
