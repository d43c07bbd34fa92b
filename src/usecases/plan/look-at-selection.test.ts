import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import type { ItemRule, StoreRule } from '../../core/plan/index.ts';
import { lookAtSelection, resolveLooking } from '../index.ts';

const at = Date.parse('2027-05-28T10:00:00Z') as never;
const look = (
  of: 'items' | 'stores',
  rule: ItemRule | StoreRule | object,
  who = person('planner'),
  text = '',
) => lookAtSelection(inMemory(SMALL), who, { of, rule, text, store: 'east', at });

describe('what a selection tells', () => {
  it('how many items it selects, which, and how many are carried here; parents are not sold', async () => {
    expect(await look('items', { node: 'beauty' })).toMatchObject({
      ok: true,
      value: {
        count: 5,
        found: 5,
        listed: [{ id: 'milk', name: 'Sun milk', note: '24.90' }, {}, {}, { id: 'gel-50' }, { id: 'gel-90' }],
        nextWeek: { count: 5, joining: [], leaving: [] },
        emptyParts: [],
      },
    });
  });

  it('what joins and leaves within the week, where prices change', async () => {
    expect(await look('items', { regularPrice: { atMost: '1.10' } })).toMatchObject({
      value: { count: 1, nextWeek: { count: 0, joining: [], leaving: [{ id: 'bar' }] } },
    });
    expect(
      await look('items', { allOf: [{ node: 'food' }, { regularPrice: { atLeast: '1.15' } }] }),
    ).toMatchObject({
      value: { count: 0, nextWeek: { count: 1, joining: [{ id: 'bar' }] } },
    });
  });

  it('which of its parts select nothing: a brand that is gone, a tag never given', async () => {
    const rule = { anyOf: [{ brand: 'Gone' }, { node: 'sun' }, { not: { tag: 'never' } }] };
    expect(await look('items', rule)).toMatchObject({
      value: { emptyParts: [{ brand: 'Gone' }, { tag: 'never' }] },
    });
  });

  it('those that match what is typed', async () => {
    expect(await look('items', { all: true }, person('planner'), 'gel 9')).toMatchObject({
      value: { count: 7, found: 1, listed: [{ id: 'gel-90' }] },
    });
  });

  it('of stores only those that the person sees', async () => {
    expect(await look('stores', { all: true })).toMatchObject({ value: { count: 2, nextWeek: null } });
    expect(await look('stores', { all: true }, person('store', ['west']))).toMatchObject({
      value: { count: 1, listed: [{ id: 'west' }] },
    });
  });

  it.each([
    ['items', { node: 'moon' }, 'no group of goods "moon"'],
    ['items', { regularPrice: { atLeast: '1.234' } }, '"1.234" is no amount in EUR'],
    ['items', { anything: true }, '"anything" is no field of this'],
    ['stores', { group: 'nowhere' }, 'no store group "nowhere"'],
  ] as const)('of %s refuses %j', async (of, rule, what) => {
    const outcome = await look(of, rule);
    expect(outcome.ok).toBe(false);
    if (!outcome.ok && outcome.failure.kind === 'invalid')
      expect(outcome.failure.faults.map((fault) => fault.what)).toContain(what);
  });
});

describe('where a page looks', () => {
  it.each([
    [{}, { store: 'east' }],
    [
      { store: 'west', at: '2027-05-28T10:00' },
      { store: 'west', at: Date.parse('2027-05-28T09:00:00Z') },
    ],
  ])('%j', async (asked, wanted) => {
    const outcome = await resolveLooking(inMemory(SMALL), person('planner'), asked, at);
    expect(outcome).toMatchObject({ ok: true, value: wanted });
  });
  it('is refused for another person’s store, and for no moment', async () => {
    const looking = (asked: object) => resolveLooking(inMemory(SMALL), person('store', ['east']), asked, at);
    expect(await looking({ store: 'west' })).toMatchObject({ ok: false, failure: { kind: 'not-found' } });
    expect(await looking({ at: 'soon' })).toMatchObject({ ok: false, failure: { kind: 'invalid' } });
  });
});
