import { describe, expect, it } from 'vitest';
import { offer } from '../../../tests/plans/basket-plan.ts';
import { checksInMemory, inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { StandingChange } from '../../contracts/index.ts';
import { changeStanding, keepBasketCheck, lookAtOrder, previewStanding } from '../index.ts';

const planner = person('planner');
const approver = person('approver');
const NOW = Date.parse('2027-03-01T10:00:00Z') as never;
const WHEN = { from: '2027-03-01T09:00', to: '2027-03-08T20:00' };
const LITTLE = change('little', {
  when: WHEN,
  priority: 60,
  items: { items: ['milk'] },
  formula: { percentOff: 500 },
});
const MUCH = change('much', {
  when: WHEN,
  priority: 40,
  items: { items: ['milk'] },
  formula: { percentOff: 2_000 },
});
const reward = (id: string, more = {}) =>
  offer(id, {
    ...{ kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '5.00', amountOff: '1.00' }] },
    ...more,
  });
const LATER = change('later', { when: { from: '2027-06-01T00:00', to: '2027-06-02T00:00' } });
const ports = () => ({
  ...inMemory(withPromotions(LITTLE, MUCH, LATER, reward('r1'), reward('r2'))),
  checks: checksInMemory(),
});
type Ports = ReturnType<typeof ports>;

describe('the promotions of a day', () => {
  const order = (all: Ports, request = {}, who = planner) =>
    lookAtOrder(all, who, { at: '2027-03-02T12:00', ...request });

  it('are told in the order in which they go, with which of them can meet', async () => {
    const outcome = await order(ports());
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
    const { date, policy, promotions, meets, rewards } = outcome.value;
    expect([date, policy]).toEqual(['2027-03-02', { priceChanges: 'priority', baskets: 'best' }]);
    expect(promotions.map(({ id, priority, waits }) => [id, priority, waits])).toEqual([
      ['much', 40, false],
      ['little', 60, false],
      ['r1', 100, false],
      ['r2', 100, false],
    ]);
    expect(meets.map((pair) => pair.join(' '))).toEqual(expect.arrayContaining(['little much', 'r1 r2']));
    expect(rewards.map(({ id }) => id)).toEqual(['r1', 'r2']);
  });

  it.each([
    ['somebody of single stores', {}, { ...planner, stores: ['west'] }, 'forbidden'],
    ['stores that are not there', { where: 'group:none' }, planner, 'not-found'],
    ['a moment that is none', { at: 'soon' }, planner, 'invalid'],
  ])('are refused to or for %s', async (_, request, who, kind) => {
    expect(await order(ports(), request, who)).toMatchObject({ ok: false, failure: { kind } });
  });
});

describe('another standing of promotions', () => {
  const FIRST: StandingChange[] = [{ id: 'little', priority: 20 }];

  it('is told by the prices of the weeks ahead and the baskets that are kept, and saves nothing', async () => {
    const all = ports();
    const kept = { name: 'Milk', basket: { store: 'east', lines: [{ sku: 'milk', quantity: '1' }] } };
    const moment = { at: '2027-03-02T12:00' };
    const checked = await keepBasketCheck(all, planner, { ...kept, moment } as never, NOW);
    expect(checked.ok).toBe(true);
    const outcome = await previewStanding(all, planner, FIRST, NOW);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
    const { prices, baskets, promotions } = outcome.value;
    expect(promotions).toEqual([{ id: 'little', name: 'little', waits: true }]);
    expect(prices).toMatchObject({ items: 1, stores: 2, up: 2, down: 0 });
    expect([prices.days[0], prices.days.at(-1), prices.days.length]).toEqual(['2027-03-01', '2027-03-08', 8]);
    expect(prices.some[0]).toMatchObject({ sku: 'milk', was: '19.92', will: '23.66' });
    expect(baskets).toMatchObject({ of: 1, others: [{ name: 'Milk' }] });
    expect(all.saved.every(({ proposal }) => proposal === null)).toBe(true);
    // What does nothing says so.
    expect(await previewStanding(all, planner, [{ id: 'much', priority: 41 }], NOW)).toMatchObject({
      value: { prices: { items: 0, days: [] }, baskets: { others: [] } },
    });
  });

  it('waits beside what is approved, is written into what waits, and counts at once where nobody else has to approve', async () => {
    const all = ports();
    expect(await changeStanding(all, planner, FIRST)).toEqual({
      ok: true,
      value: { changed: 1, waiting: 1 },
    });
    const stored = () => all.saved.find(({ promotion }) => promotion.id === 'little')!;
    expect([stored().promotion.priority, stored().proposal?.document?.priority]).toEqual([60, 20]);
    await changeStanding(all, planner, [{ id: 'little', alone: true }]);
    expect(stored().proposal?.document).toMatchObject({ priority: 20, alone: true });
    await all.rules.change(() => ({ another: false }), 'basil');
    await changeStanding(all, approver, [
      { id: 'much', priority: 5 },
      { id: 'r1', combinesWith: ['r2'] },
    ]);
    const promotion = (id: string) => all.saved.find((one) => one.promotion.id === id)!.promotion;
    expect([promotion('much').priority, promotion('r1').offer]).toEqual([
      5,
      expect.objectContaining({ combinesWith: ['r2'] }),
    ]);
  });

  it.each<[string, StandingChange[], ReturnType<typeof person>, string]>([
    ['by a viewer', FIRST, person('viewer'), 'forbidden'],
    ['by somebody of single stores', FIRST, { ...planner, stores: ['west'] }, 'forbidden'],
    ['of what is not there', [{ id: 'none', priority: 1 }], planner, 'not-found'],
    ['with what is not there', [{ id: 'r1', combinesWith: ['none'] }], planner, 'invalid'],
    ['that a reward cannot have', [{ id: 'r1', alone: true }], planner, 'invalid'],
  ])('is refused %s, and nothing is saved', async (_, changes, who, kind) => {
    const all = ports();
    const both = [{ id: 'much', priority: 1 }, ...changes];
    expect(await changeStanding(all, who, both)).toMatchObject({ ok: false, failure: { kind } });
    expect(all.saved.every(({ proposal, revision }) => proposal === null && revision === 1)).toBe(true);
  });
});
