import { describe, expect, it } from 'vitest';
import { nothingBefore } from '../../../tests/plans/ports.ts';
import { shoppersInMemory } from '../../../tests/plans/shoppers-in-memory.ts';
import { change, compiled, withPromotions } from '../../../tests/plans/small-plan.ts';
import { type Lens, lensQuery, type Person, readLens } from '../../contracts/index.ts';
import { resolveLens } from './resolve-lens.ts';

const NOW = Date.parse('2027-03-27T11:30:40Z') as never;
const EVERYONE: Person = { id: 'i', name: 'Ines', email: '', role: 'planner', costs: true, stores: null };
const document = withPromotions(
  change('a'),
  change('b', { status: 'draft' }),
  change('c', { when: { from: '2027-03-28T09:00' } }),
);
const book = { current: async () => ({ version: 1, document, compiled: compiled(document) }) };
const look = (lens: Partial<Lens>, person = EVERYONE) =>
  resolveLens(
    { book, past: nothingBefore, shoppers: shoppersInMemory() },
    person,
    { where: null, at: null, shopper: null, ...lens },
    NOW,
  );

describe('the lens', () => {
  it('looks at the first store, now by its clock to the minute, as a guest', async () => {
    expect(await look({})).toMatchObject({
      store: { id: 'east' },
      group: null,
      at: '2027-03-27T12:30',
      now: '2027-03-27T12:30',
      shopper: null,
      missing: null,
    });
    expect(await look({ where: 'west' })).toMatchObject({ store: { id: 'west' }, at: '2027-03-27T11:30' });
  });

  it('looks at a group by its first store, and names the group', async () => {
    expect(await look({ where: 'group:city' })).toMatchObject({
      store: { id: 'east' },
      group: { name: 'City stores', stores: ['east'] },
    });
  });

  it('looks at any moment, also one of an hour that happens twice', async () => {
    expect(await look({ at: '2027-10-31T02:30+01:00' })).toMatchObject({ at: '2027-10-31T02:30+01:00' });
  });

  it.each<[Partial<Lens>, RegExp]>([
    [{ where: 'nowhere' }, /no store "nowhere"/],
    [{ where: 'group:nowhere' }, /no store group "nowhere"/],
    [{ at: 'someday' }, /"someday" is no date and hour/],
    [{ shopper: 'nobody' }, /no kind of shopper "nobody"/],
  ])('tells what is not there of %j, and looks without it', async (asked, told) => {
    const view = (await look(asked))!;
    expect(view.missing).toMatch(told);
    expect(view.lens).toEqual({ where: null, at: null, shopper: null });
    expect(view.store.id).toBe('east');
  });

  it('shows a store’s person nothing but their stores', async () => {
    const person: Person = { ...EVERYONE, role: 'store', stores: ['west'] };
    expect(await look({}, person)).toMatchObject({ store: { id: 'west' } });
    expect((await look({ where: 'east' }, person))!.missing).toMatch(/no store "east" for you/);
    expect((await look({ where: 'group:city' }, person))!.missing).toMatch(/for you/);
    expect(await look({}, { ...person, stores: [] })).toBeNull();
  });

  it('counts what starts and ends on each day around, approved ones only', async () => {
    const { days } = (await look({}))!;
    expect(days).toHaveLength(24);
    expect(days.find(({ date }) => date === '2027-03-28')).toEqual({
      date: '2027-03-28',
      starts: 1,
      ends: 0,
    });
    expect(days[0]!.date).toBe('2027-03-20');
  });

  it.each<Lens>([
    { where: null, at: null, shopper: null },
    { where: 'group:city', at: '2027-10-31T02:30+01:00', shopper: 'members' },
  ])('stands in the address, and comes back from it: %j', (lens) => {
    expect(readLens(new URLSearchParams(lensQuery(lens)))).toEqual(lens);
    expect(lensQuery(lens, { item: 'a b' })).toContain('item=a+b');
  });
});
