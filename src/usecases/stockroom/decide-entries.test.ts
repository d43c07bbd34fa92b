import { describe, expect, it } from 'vitest';
import { offer } from '../../../tests/plans/basket-plan.ts';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, type Promoted, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { Person } from '../../contracts/index.ts';
import type { Cells, TableName } from '../../contracts/table/index.ts';
import { changeStockroom, decideEntries, listWaitingEntries, putEntry } from '../index.ts';

const planner = person('planner');
const approver = person('approver');
const administrator = person('administrator');
const NOW = Date.parse('2027-04-14T10:00:00Z') as never;
const RULES = { another: true, stockroom: true };
const KEY = ['bar', '', '', ''].join('\u001f');

const chain = (said: Promoted = {}, rules = RULES) =>
  inMemory(withPromotions(change('summer', { items: { set: 'summer' }, ...said })), rules);
type Chain = ReturnType<typeof chain>;

const edit = (ports: Chain, who: Person, table: TableName, key: string | null, cells: Cells) =>
  changeStockroom(ports, who, { table, edits: [{ key, cells }], drops: [] }, NOW);
const priceOfBar = async (ports: Chain) =>
  (await ports.book.current()).document.items
    .find(({ sku }) => sku === 'bar')!
    .prices.find(({ since, zone, store }) => !since && !zone && !store)!.price;

describe('a change of the stockroom that would change prices', () => {
  it('waits, and all stands as it was', async () => {
    const ports = chain();
    expect(await edit(ports, planner, 'prices', KEY, { price: '0.00' })).toMatchObject({
      value: { waits: 1 },
    });
    expect(await priceOfBar(ports)).toBe('1.00');
    expect(await listWaitingEntries(ports, approver)).toMatchObject([
      {
        table: 'prices',
        effect: { prices: 1 },
        approves: true,
        rows: [{ before: { price: '1.00' }, after: { price: '0.00' } }],
      },
    ]);
    expect(await listWaitingEntries(ports, planner)).toMatchObject([
      { approves: false, drops: true, own: true },
    ]);
    expect(await listWaitingEntries(ports, person('store', ['east']))).toEqual([]);
  });

  it('counts at once where the chain does not ask, or lets an approver work alone', async () => {
    for (const [rules, who] of [
      [{ another: true, stockroom: false }, planner],
      [{ another: false, stockroom: true }, approver],
    ] as const) {
      const ports = chain({}, rules);
      expect(await edit(ports, who, 'prices', KEY, { price: '2.00' })).toMatchObject({
        value: { waits: null },
      });
      expect(await priceOfBar(ports)).toBe('2.00');
    }
  });

  it('that widens a set of an approved promotion waits with what that would do', async () => {
    const ports = chain();
    const was = SMALL.itemSets![0]!;
    const entry = { ...was, rule: { all: true } };
    const put = { table: 'itemSets' as const, key: 'summer', entry, was };
    expect(await putEntry(ports, planner, put, NOW)).toMatchObject({ ok: true, value: { waits: 1 } });
    expect((await ports.book.current()).document.itemSets).toEqual(SMALL.itemSets);
    expect(ports.waiting.held[0]!.effect).toEqual({
      prices: 0,
      promotions: [
        { id: 'summer', name: 'summer', goodsMore: 3, goodsLess: 0, storesMore: 0, storesLess: 0 },
      ],
    });
  });

  it.each<[string, TableName, string, Cells, Promoted]>([
    ['a tag of an item', 'items', 'bar', { tags: 'new' }, { items: { tag: 'new' } }],
    ['the group of goods of an item', 'items', 'bar', { node: 'sun' }, { items: { node: 'sun' } }],
    ['where a group of goods belongs', 'nodes', 'food', { parent: 'sun' }, { items: { node: 'sun' } }],
    ['the tags of a store', 'stores', 'west', { tags: 'city' }, { where: { group: 'city' } }],
    ['what a list takes off', 'priceLists', 'members', { percent: '-50' }, {}],
    ['the list of a kind of shopper', 'shopperGroups', 'students', { priceList: 'staff' }, {}],
  ])('by %s waits too', async (_, table, key, cells, said) => {
    expect(await edit(chain(said), administrator, table, key, cells)).toMatchObject({ value: { waits: 1 } });
  });

  it.each<[string, TableName, string | null, Cells, Promoted]>([
    ['a name', 'items', 'bar', { name: 'Bar' }, {}],
    [
      'goods of a promotion that is no more than a draft',
      'items',
      'bar',
      { tags: 'new' },
      { items: { tag: 'new' }, status: 'draft' },
    ],
    [
      'goods of one that is over',
      'items',
      'bar',
      { tags: 'new' },
      { items: { tag: 'new' }, when: { from: '2027-03-01T00:00', to: '2027-03-02T00:00' } },
    ],
    [
      'a new item that fits',
      'items',
      null,
      { sku: 'new', name: 'New', node: 'sun' },
      { items: { node: 'sun' } },
    ],
  ])('is not %s', async (_, table, key, cells, said) => {
    expect(await edit(chain(said), administrator, table, key, cells)).toMatchObject({
      value: { waits: null },
    });
  });

  it('is told for deals as well', async () => {
    const deal = offer('deal', {
      kind: 'mixAndMatch',
      items: { tag: 'new' },
      take: 2,
      value: { percentOff: 1000 },
    });
    const ports = inMemory(withPromotions(deal), RULES);
    await edit(ports, planner, 'items', 'bar', { tags: 'new' });
    expect(ports.waiting.held[0]?.effect.promotions).toMatchObject([{ id: 'deal', goodsMore: 1 }]);
  });
});

describe('what waits of the stockroom', () => {
  const waiting = async (who = planner) => {
    const ports = chain();
    await edit(ports, who, 'prices', KEY, { price: '1.50' });
    return ports;
  };
  const decide = (ports: Chain, who: Person, step: 'approve' | 'send-back' | 'drop', reason = '') =>
    decideEntries(ports, who, { id: 1, step, reason });

  it('counts once somebody else has approved it, and waits no more', async () => {
    const ports = await waiting();
    expect(await decide(ports, approver, 'approve')).toMatchObject({ ok: true });
    expect(await priceOfBar(ports)).toBe('1.50');
    expect(await listWaitingEntries(ports, approver)).toEqual([]);
  });

  it('is approved by nobody who wrote it, nor who may not', async () => {
    expect(await decide(await waiting(approver), approver, 'approve')).toMatchObject({
      failure: { faults: [{ what: 'it was written by you' }] },
    });
    expect(await decide(await waiting(), planner, 'approve')).toMatchObject({
      failure: { kind: 'forbidden' },
    });
    expect(await decide(await waiting(approver), planner, 'drop')).toMatchObject({
      failure: { kind: 'forbidden' },
    });
  });

  it('is sent back with a reason, or dropped, and changes nothing', async () => {
    const ports = await waiting();
    expect(await decide(ports, approver, 'send-back')).toMatchObject({
      failure: { faults: [{ path: ['reason'] }] },
    });
    await decide(ports, approver, 'send-back', 'too dear');
    expect(await listWaitingEntries(ports, planner)).toMatchObject([
      { returned: { by: 'approver', reason: 'too dear' }, approves: false },
    ]);
    expect(await decide(ports, approver, 'approve')).toMatchObject({ ok: false });
    expect(await decide(ports, planner, 'drop')).toMatchObject({ ok: true });
    expect(await decide(ports, planner, 'drop')).toMatchObject({ failure: { kind: 'not-found' } });
    expect(await priceOfBar(ports)).toBe('1.00');
  });

  it('is refused where its rows are others by now', async () => {
    const ports = await waiting();
    await ports.rules.change(() => ({ another: true, stockroom: false }), 'x');
    await edit(ports, planner, 'prices', KEY, { price: '1.80' });
    expect(await decide(ports, approver, 'approve')).toMatchObject({
      failure: { faults: [{ what: 'somebody changed some of its rows since' }] },
    });
    expect(await priceOfBar(ports)).toBe('1.80');
  });

  it('tells no cost to who sees none', async () => {
    const ports = chain({ items: { tag: 'new' } });
    await edit(ports, planner, 'items', 'bar', { tags: 'new' });
    const [seen] = await listWaitingEntries(ports, { ...approver, costs: false });
    expect(JSON.stringify(seen!.rows)).not.toContain('cost');
  });
});
