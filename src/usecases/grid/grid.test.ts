import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { inMemory, person, quietSending } from '../../../tests/plans/ports.ts';
import { change, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { GridRequest, GridView } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import type { PlanDocument, PromotionDocument } from '../../core/plan/index.ts';
import { gridFile, lookAtGrid, type StoreComparison } from '../index.ts';

const NOW = Date.parse('2027-03-03T10:00:00Z') as Instant;
const viewer = person('viewer');
const HALF = change('half', { items: { node: 'sun' }, formula: { percentOff: 5000 } });
const WEST = change('west-only', { items: { items: ['bar'] }, where: { stores: ['west'] } });

function ports(promotions: PromotionDocument[] = [HALF, WEST], held: Record<string, PlanDocument> = {}) {
  const numbers = new Map(Object.keys(held).map((store) => [store, 1]));
  const nothingCompared: StoreComparison = async () => [];
  return {
    ...inMemory(withPromotions(...promotions)),
    compare: nothingCompared,
    sending: {
      ...quietSending(),
      newestNumbers: async () => numbers,
      terminals: async () =>
        [...numbers].map(([store, holds]) => ({
          ...{ terminal: `${store}-1`, store, tags: [], holds, heldSince: null, lastSeen: null },
          ...{ clockSkew: null, problem: null, wanted: holds },
          ...{ hasKey: true, keyChangedAt: null, wholeAskedAt: null },
        })),
      envelope: async (store: string) => {
        const content = JSON.stringify({ number: 1, store, plan: held[store] });
        return gzipSync(JSON.stringify({ content }));
      },
    },
  };
}

const looked = async (asked: Partial<GridRequest>, of = ports(), who = viewer): Promise<GridView> => {
  const outcome = await lookAtGrid(of, who, { at: '2027-03-03T12:00', ...asked }, NOW);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
  return outcome.value;
};
const refused = async (asked: Partial<GridRequest>, of = ports(), who = viewer) => {
  const outcome = await lookAtGrid(of, who, { at: '2027-03-03T12:00', ...asked }, NOW);
  return outcome.ok ? null : outcome.failure;
};

/** "milk 12.45 by half (24.90) …": a price a column, with what it is held against. */
const said = ({ rows, promotions }: GridView): string[] =>
  rows.map(({ sku, cells }) => {
    const by = (number: number) => (number < 0 ? '' : ` by ${promotions[number]!.id}`);
    const cell = ([prices, stores]: (typeof cells)[number]) =>
      prices
        .map(
          ([price, made, was, wasBy], i) =>
            `${price}${by(made)}${was === undefined ? '' : ` (${was}${by(wasBy ?? -1)})`}${stores ? ` in ${stores[i]}` : ''}`,
        )
        .join(' & ');
    return `${sku} ${cells.map(cell).join(' | ')}`;
  });
const columnsOf = ({ columns }: GridView) =>
  columns.map(({ stores }) => stores.map(({ id }) => id).join(' '));

describe('the grid', () => {
  it('has goods by stores, with equal stores together, in the order of the hierarchy', async () => {
    const view = await looked({});
    expect(view).toMatchObject({
      currency: 'EUR',
      stores: 2,
      goods: 6,
      changed: null,
      first: 0,
      without: [],
    });
    expect(columnsOf(view)).toEqual(['east', 'west']);
    expect(said(view)).toEqual([
      'gel-50 5.00 | 5.00',
      'gel-90 9.00 | 9.00',
      'spray 5.00 by half | 5.00 by half',
      'oil 4.00 by half | 4.00 by half',
      'milk 12.45 by half | 12.45 by half',
      'bar 1.00 | 0.99 by west-only',
    ]);
    expect(view.rows[2]).toMatchObject({ name: 'Sun spray', group: 'Sun care' });
    // For the sun goods the two stores are one column.
    const sun = await looked({ node: 'sun' });
    expect(columnsOf(sun)).toEqual(['east west']);
    expect(said(sun)).toEqual(['spray 5.00 by half', 'oil 4.00 by half', 'milk 12.45 by half']);
  });

  it('finds goods by what was typed, and begins where it is asked to', async () => {
    expect(said(await looked({ q: 'sun mil' }))).toEqual(['milk 12.45 by half']);
    expect(await looked({ q: 'no such thing' })).toMatchObject({ goods: 0, rows: [] });
    const part = await looked({ row: '4', column: '1' });
    expect([part.first, ...said(part)]).toEqual([4, 'milk 12.45 by half', 'bar 0.99 by west-only']);
    expect(await looked({ row: '900' })).toMatchObject({ goods: 6, rows: [] });
  });

  it('looks at one store, a group, or all, as the lens says', async () => {
    expect(columnsOf(await looked({ where: 'west' }))).toEqual(['west']);
    expect(columnsOf(await looked({ where: 'group:city' }))).toEqual(['east']);
    expect(await refused({ where: 'nowhere' })).toMatchObject({ kind: 'not-found' });
    expect(await refused({ where: 'group:none' })).toMatchObject({ kind: 'not-found' });
    expect(await refused({ node: 'none' })).toMatchObject({ kind: 'not-found' });
  });

  it('takes the same hour of each store’s own clock', async () => {
    // The day of a promotion begins an hour later in the west.
    const early = change('early', { items: { items: ['milk'] }, when: { from: '2027-03-03T12:00' } });
    const view = await looked({ at: '2027-03-03T12:00', q: 'milk' }, ports([early]));
    expect(said(view)).toEqual(['milk 22.41 by early']);
    expect(said(await looked({ at: '2027-03-03T11:59', q: 'milk' }, ports([early])))).toEqual(['milk 24.90']);
  });

  it.each<[string, Partial<GridRequest>, string[]]>([
    [
      'another date',
      { against: 'date', other: '2027-02-01T12:00', q: 'milk' },
      ['milk 12.45 by half (24.90)'],
    ],
    [
      'another kind of shopper',
      { against: 'shopper', other: 'members', q: 'milk' },
      ['milk 12.45 by half (11.83 by half)'],
    ],
    ['a guest', { against: 'shopper', for: 'staff', q: 'gel 5' }, ['gel-50 4.25 (5.00)']],
    [
      'one store',
      { against: 'store', other: 'east', q: 'bar' },
      ['bar 1.00 (1.00) | 0.99 by west-only (1.00)'],
    ],
  ])('is held against %s', async (_, asked, wanted) => {
    expect(said(await looked(asked))).toEqual(wanted);
  });

  it('is held against the plan without a draft, or without a change that waits', async () => {
    const draft = change('draft', {
      status: 'draft',
      items: { items: ['oil'] },
      formula: { setTo: '1.00' },
      priority: 1,
    });
    const of = ports([HALF, draft]);
    const asked = { against: 'promotion', other: 'draft', changed: '1' } as const;
    expect(said(await looked(asked, of))).toEqual(['oil 1.00 by draft (4.00 by half)']);
    const proposal = {
      document: { ...HALF, offer: { ...HALF.offer, formula: { percentOff: 1000 } } },
      writtenBy: 'ines',
    };
    await of.promotions.save(HALF, 1, { person: 'ines', action: 'wrote', proposal: proposal as never });
    const change_ = await looked({ against: 'promotion', other: 'half', q: 'milk' }, of);
    expect(said(change_)).toEqual(['milk 22.41 by half (12.45 by half)']);
    // What waits became another, and the plan did not.
    const other = {
      document: { ...HALF, offer: { ...HALF.offer, formula: { percentOff: 2000 } } },
      writtenBy: 'ines',
    };
    await of.promotions.save(HALF, 2, { person: 'ines', action: 'wrote', proposal: other as never });
    expect(said(await looked({ against: 'promotion', other: 'half', q: 'milk' }, of))).toEqual([
      'milk 19.92 by half (12.45 by half)',
    ]);
  });

  it('is held against what terminals hold, store by store, and says where none holds anything', async () => {
    const before = { ...withPromotions(WEST), items: SMALL.items.filter(({ sku }) => sku !== 'oil') };
    const view = await looked({ against: 'held', changed: '1' }, ports([HALF, WEST], { east: before }));
    expect(said(view)).toEqual([
      'spray 5.00 by half (10.00) | 5.00 by half',
      'oil 4.00 by half (null) | 4.00 by half',
      'milk 12.45 by half (24.90) | 12.45 by half',
    ]);
    expect(view.without).toEqual([{ id: 'west', name: 'West' }]);
    expect(await refused({ against: 'held', at: '2027-02-01T12:00' })).toMatchObject({ kind: 'invalid' });
  });

  it.each<[string, Partial<GridRequest>, string]>([
    ['a moment that is none', { at: 'noon' }, 'invalid'],
    ['another moment that is none', { against: 'date', other: 'noon' }, 'invalid'],
    ['no other moment', { against: 'date' }, 'invalid'],
    ['a shopper group that is none', { for: 'none' }, 'invalid'],
    ['another shopper group that is none', { against: 'shopper', other: 'none' }, 'invalid'],
    ['another store that is none', { against: 'store', other: 'nowhere' }, 'not-found'],
    ['a promotion that is none', { against: 'promotion', other: 'none' }, 'not-found'],
  ])('refuses %s', async (_, asked, kind) => {
    expect(await refused(asked)).toMatchObject({ kind });
  });

  it('shows a store’s people their own stores alone', async () => {
    const atEast = person('store', ['east']);
    expect(columnsOf(await looked({}, ports(), atEast))).toEqual(['east']);
    expect(await refused({ where: 'west' }, ports(), atEast)).toMatchObject({ kind: 'not-found' });
    expect(await refused({ against: 'store', other: 'west' }, ports(), atEast)).toMatchObject({
      kind: 'not-found',
    });
    expect(await refused({ against: 'promotion', other: 'half' }, ports(), atEast)).toMatchObject({
      kind: 'not-found',
    });
    expect(await looked({}, ports(), person('store', []))).toMatchObject({
      stores: 0,
      goods: 0,
      columns: [],
    });
  });

  it('goes out as a table with a column a store', async () => {
    const outcome = await gridFile(
      ports(),
      viewer,
      { at: '2027-03-03T12:00', q: 'bar', against: 'date', other: '2027-02-01T12:00' },
      NOW,
    );
    expect(outcome).toMatchObject({
      ok: true,
      value: {
        columns: [
          { title: 'SKU' },
          { title: 'Item' },
          { title: 'Group of goods' },
          { title: 'East' },
          { title: 'East, held against' },
          { title: 'West' },
          { title: 'West, held against' },
        ],
        rows: [{ sku: 'bar', name: 'Oat bar', price0: '1.00', was0: '1.00', price1: '0.99', was1: '1.10' }],
      },
    });
  });
});
