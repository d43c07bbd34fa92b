import { describe, expect, it } from 'vitest';
import { inMemory, loopholesInMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import {
  keepLoopholes,
  lookAtKeptLoopholes,
  lookAtLoopholeCases,
  searchKeptLoopholes,
  searchLoopholes,
} from '../index.ts';

const planner = person('planner');
const NOW = Date.parse('2027-03-01T08:00:00Z') as never;
const AT = '2027-03-03T12:00';
const MARCH = { from: '2027-03-02T09:00', to: '2027-03-08T20:00' };
const CHEAP = change('cheap', { when: MARCH, items: { items: ['spray'] }, formula: { percentOff: 7000 } });
const PAIR: PromotionDocument = {
  id: 'pair',
  name: 'Pair',
  status: 'approved',
  when: MARCH,
  offer: { kind: 'mixAndMatch', items: { items: ['milk'] }, take: 2, value: { total: '1.00' } },
};
const ports = (...promotions: PromotionDocument[]) => ({
  ...inMemory(withPromotions(...promotions)),
  loopholes: loopholesInMemory(),
});
const asked = { at: AT, store: 'east', units: '4' };

describe('loopholes', () => {
  it('are told with what is in the basket, what it leaves, by what, and what would close them', async () => {
    const outcome = await searchLoopholes(ports(CHEAP, PAIR), planner, asked);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
    const { currency, looked, found } = outcome.value;
    expect([currency, looked.proved, looked.bound, looked.units]).toEqual(['EUR', true, null, 4]);
    const byPair = found.find(({ promotions }) => promotions.map(({ id }) => id).join() === 'pair')!;
    expect(byPair).toMatchObject({
      loses: true,
      goods: '2.00',
      units: 4,
      lines: [{ sku: 'milk', quantity: 4 }],
      mends: [{ kind: 'once', promotion: 'pair', name: 'Pair' }],
    });
    const byChange = found.find(({ promotions }) => promotions.map(({ id }) => id).join() === 'cheap')!;
    expect(byChange.mends).toEqual([
      { kind: 'leave-out', promotion: 'cheap', name: 'cheap', items: ['spray'] },
    ]);
  });

  it.each([
    ['who sees no costs', { ...planner, costs: false }, asked, 'forbidden'],
    ['of another store', { ...planner, stores: ['west'] }, asked, 'forbidden'],
    ['a store that is not there', planner, { ...asked, store: 'north' }, 'not-found'],
    ['a moment that is none', planner, { ...asked, at: 'soon' }, 'invalid'],
    ['a kind of shopper that is not there', planner, { ...asked, for: 'nobody' }, 'invalid'],
  ])('are refused to or for %s', async (_, who, request, kind) => {
    expect(await searchLoopholes(ports(CHEAP), who, request)).toMatchObject({ ok: false, failure: { kind } });
  });

  it('are searched once for all stores that come to the same, of those that a person sees', async () => {
    const all = ports(CHEAP, { ...PAIR, codes: ['TWO'] });
    const outcome = await lookAtLoopholeCases(all, planner, { at: AT });
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
    expect(outcome.value.codes).toEqual(['TWO']);
    expect(outcome.value.cases.flatMap(({ stores }) => stores.map(({ id }) => id)).sort()).toEqual([
      'east',
      'west',
    ]);
    const mine = await lookAtLoopholeCases(all, { ...planner, stores: ['west'] }, { at: AT });
    expect(mine).toMatchObject({ ok: true, value: { cases: [{ stores: [{ id: 'west' }] }] } });
    expect(await lookAtLoopholeCases(all, { ...planner, costs: false }, { at: AT })).toMatchObject({
      ok: false,
    });
    expect(await lookAtLoopholeCases(all, planner, { at: AT, where: 'group:none' })).toMatchObject({
      ok: false,
    });
  });

  it('are kept for what is approved, on the days on which something begins, once for a version', async () => {
    const all = ports(CHEAP, PAIR);
    const kept = async (who = planner) => {
      const outcome = await lookAtKeptLoopholes(all, who, NOW);
      if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
      return outcome.value.found;
    };
    expect(await kept()).toBe(null);
    const whole = async () => {
      while (await keepLoopholes(all, NOW)) expect(await kept()).toBe(null);
    };
    await whole();
    const { looks } = all.loopholes;
    expect(looks).toBeGreaterThan(1);
    await whole();
    expect(all.loopholes.looks).toBe(looks);
    const found = (await kept())!;
    // Both in one basket lose more than either: all of the same day, when the two have begun.
    expect(found.map(({ at }) => at)).toEqual(found.map(() => '2027-03-02T11:00'));
    expect(found.flatMap(({ loophole }) => loophole.promotions.map(({ id }) => id))).toEqual(
      expect.arrayContaining(['cheap', 'pair']),
    );
    expect(await kept({ ...planner, costs: false })).toEqual([]);
    // What changes nothing that counts is a new version of the plan, and no new search.
    const { searches } = all.loopholes;
    await all.promotions.save({ ...PAIR, id: 'draft', status: 'draft' }, null, {
      person: 'x',
      action: 'made',
    });
    expect(await kept()).toBe(null);
    expect(await keepLoopholes(all, NOW)).toBe(false);
    expect(await kept()).toEqual(found);
    expect(all.loopholes.searches).toBe(searches);
    await all.promotions.save({ ...PAIR, status: 'paused' }, 1, { person: 'x', action: 'paused' });
    expect(await kept()).toBe(null);
    // Who asks before sending does not wait for the rest.
    for (let found = null; found === null; ) {
      const outcome = await searchKeptLoopholes(all, planner, NOW);
      if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
      found = outcome.value.found as never;
    }
    expect((await kept())!.map(({ loophole }) => loophole.promotions.map(({ id }) => id))).toEqual([
      ['cheap'],
    ]);
  });
});
