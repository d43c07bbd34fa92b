import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import { lookAtCalendar } from '../index.ts';

const bundle = { kind: 'mixAndMatch', items: { node: 'food' }, take: 3, value: { total: '2.00' } } as const;
const PLAN: PlanDocument = {
  ...withPromotions(
    change('all'),
    change('city', { where: { group: 'city' }, items: { node: 'sun' } }),
    change('west', { where: { stores: ['west'] }, items: { items: ['bar', 'milk'] } }),
    change('gone', { status: 'archived' }),
    { ...change('deal'), offer: bundle },
    change('weekly', {
      items: { items: [] },
      when: { from: '2027-03-01T09:00', repeat: { rrule: 'FREQ=WEEKLY', duration: 'P1D' } },
    }),
  ),
  storeGroups: [...SMALL.storeGroups!, { id: 'isles', name: 'Isles', rule: { zone: 'isles' } }],
};
const lanes = async (...[who, by]: [Parameters<typeof lookAtCalendar>[1], 'group' | 'department']) =>
  Object.fromEntries(
    (await lookAtCalendar(inMemory(PLAN), who, by)).map(({ name, bars }) => [name, bars.map(({ id }) => id)]),
  );

describe('the calendar', () => {
  it('by store group: in each where it counts; in the first alone where it counts in all', async () => {
    expect(await lanes(person('planner'), 'group')).toEqual({
      'All store groups': ['all', 'deal', 'weekly'],
      'City stores': ['city'],
      Isles: ['west'],
    });
  });

  it('by department: by the goods, deals too; what has none stands by itself', async () => {
    expect(await lanes(person('planner'), 'department')).toEqual({
      'All departments': ['all', 'west'],
      Beauty: ['city'],
      Food: ['deal'],
      'No goods yet': ['weekly'],
    });
  });

  it('shows a store’s people what counts in their stores', async () => {
    const seen = await lanes(person('store', ['east']), 'group');
    expect(Object.values(seen).flat()).not.toContain('west');
    expect(seen['All store groups']).toContain('city');
  });

  it('says of each when it runs, whether all of that time, and whether it can be moved here', async () => {
    const [first] = await lookAtCalendar(inMemory(PLAN), person('planner'), 'group');
    const told = first!.bars.map(({ id, to, partly }) => [id, to, partly]);
    expect(told).toEqual([
      ['all', '2027-06-01T20:00', false],
      ['deal', '2027-06-01T20:00', false],
      ['weekly', null, true],
    ]);
  });
});
