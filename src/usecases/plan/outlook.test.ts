import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { AssumedRequest } from '../../contracts/index.ts';
import { lookAtWeek, outlookOfDraft } from '../index.ts';

const planner = person('planner');
const WHEN = { from: '2027-03-01T00:00', to: '2027-03-08T00:00' };
const DRAFT = { ...change('next', { when: WHEN, items: { items: ['milk'] } }), status: 'draft' as const };
const LAST = change('last', {
  when: { from: '2027-02-01T00:00', to: '2027-02-03T00:00' },
  items: { items: ['milk'] },
});
const ASSUMED: AssumedRequest = {
  unitsAWeek: 700,
  demand: { kind: 'uplift', by: 10_000 },
  fromOthers: 0,
  takeUp: 5_000,
};
const ports = () => inMemory(withPromotions(LAST, change('now', { when: WHEN, items: { items: ['oil'] } })));

describe('what a draft would bring', () => {
  const ask = (who = planner, promotion: unknown = DRAFT) =>
    outlookOfDraft(ports(), who, { promotion, assumed: ASSUMED });

  it('is told in decimal text, by day and in all, with the last time by the same assumptions', async () => {
    const outcome = await ask();
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
    const { days, whole, goods, last, stores, currency } = outcome.value;
    expect([currency, days.length, days[0]!.date, stores]).toEqual([
      'EUR',
      7,
      '2027-03-01',
      { looked: 2, of: 2 },
    ]);
    // Two stores, one a day at 24.90, twice as many at 22.41.
    expect(days[0]).toMatchObject({
      without: { units: 2, takings: '49.80' },
      with: { units: 4, takings: '89.64' },
    });
    expect(whole.with.takings).toBe('627.48');
    expect(goods.map(({ sku }) => sku)).toEqual(['milk']);
    expect(last).toMatchObject({ id: 'last', days: 2, goods: { both: 1, added: 0, gone: 0 } });
    expect(last!.whole.with.takings).toBe('179.28');
  });

  it('orders goods by what they earn, or by what they take where that is not to be told', async () => {
    // A sun spray at 12.00 earns less than milk at 24.90 takes.
    const two = { ...DRAFT, offer: { ...DRAFT.offer, items: { items: ['spray', 'milk', 'oil'] } } };
    const goods = async (costs: boolean) => {
      const outcome = await ask({ ...planner, costs }, two);
      if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
      return outcome.value.goods.map(
        (good) => [Number(good.with.takings), Number(good.with.margin)] as const,
      );
    };
    const earned = (await goods(true)).map(([, margin]) => margin);
    expect(earned).toEqual(earned.toSorted((a, b) => b - a));
    const taken = (await goods(false)).map(([takings]) => takings);
    expect(taken).toEqual(taken.toSorted((a, b) => b - a));
  });

  it('tells nothing of what is earned to whom costs are not shown, and nothing to whom it is not for', async () => {
    const outcome = await ask({ ...planner, costs: false });
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
    const { whole, breakEven, withoutCost } = outcome.value;
    expect([whole.with.margin, whole.others.margin, breakEven, withoutCost]).toEqual([null, null, null, 0]);
    expect(await ask(planner, { id: 'x' })).toMatchObject({ ok: false, failure: { kind: 'invalid' } });
  });
});

describe('a week of the plan', () => {
  const ask = (request: object = {}, who = planner) =>
    lookAtWeek(ports(), who, { at: '2027-03-01T09:00', assumed: ASSUMED, ...request });

  it('is told by department and day, of the stores that are asked for', async () => {
    const outcome = await ask({ where: 'west' });
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
    const { from, days, departments, stores, whole } = outcome.value;
    expect([from, days.length, stores]).toEqual(['2027-03-01', 7, { looked: 1, of: 1 }]);
    expect(departments.reduce((sum, { promoted }) => sum + promoted, 0)).toBe(1);
    expect(Number(whole.with.takings)).toBeGreaterThan(Number(whole.without.takings));
  });

  it.each([
    ['stores that are not there', { where: 'group:none' }, 'not-found'],
    ['a moment that is none', { at: 'soon' }, 'invalid'],
  ])('is refused for %s', async (_, request, kind) => {
    expect(await ask(request)).toMatchObject({ ok: false, failure: { kind } });
  });
});
