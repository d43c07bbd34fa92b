import { describe, expect, it } from 'vitest';
import { basketOf, basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import { codesInMemory } from '../../../tests/plans/codes-in-memory.ts';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import type { Person } from '../../contracts/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import type { BasketDocument } from '../../core/receipt/index.ts';
import { ringTrialBasket } from '../index.ts';

const rung = (plan: PlanDocument, who: Person, basket: BasketDocument) =>
  ringTrialBasket({ ...inMemory(plan), ...codesInMemory() }, who, basket, 0);

const PLAN = basketPlan({ c: { name: 'Cocoa', prices: [{ price: '4.40' }] } }, [
  offer('b', { kind: 'mixAndMatch', items: { items: ['c'] }, take: 3, value: { total: '11.00' } }),
]);

describe('a trial basket', () => {
  it('comes with the receipt and the words for all that it names', async () => {
    expect(await rung(PLAN, person('viewer'), basketOf({ c: 3 }))).toMatchObject({
      ok: true,
      value: {
        receipt: { total: '11.00', proved: true },
        items: { c: 'Cocoa' },
        promotions: { b: { name: 'b', sentence: expect.stringContaining('3 of Cocoa for 11.00 EUR') } },
      },
    });
  });

  it('tells of each accepted code what it brings, nothing among it', async () => {
    const plan = basketPlan({ c: '4.40', d: '1.00' }, [
      offer(
        'ten',
        { kind: 'priceChange', items: { items: ['c'] }, formula: { amountOff: '0.40' } },
        { codes: ['TEN'] },
      ),
      offer(
        'two',
        { kind: 'mixAndMatch', items: { items: ['d'] }, take: 2, value: { total: '1.50' } },
        { codes: ['TWO'] },
      ),
    ]);
    const ask = (lines: Record<string, number>) =>
      rung(plan, person('viewer'), basketOf(lines, { codes: ['TEN', 'TWO', 'NONE'] }));
    expect(await ask({ c: 2, d: 1 })).toMatchObject({
      value: {
        codes: [
          { code: 'TEN', saves: '0.80' },
          { code: 'TWO', saves: '0.00' },
        ],
      },
    });
    expect(await ask({ d: 2 })).toMatchObject({
      value: {
        codes: [
          { code: 'TEN', saves: '0.00' },
          { code: 'TWO', saves: '0.50' },
        ],
      },
    });
  });

  it('tells of a code that costs the basket something, as offers go by priority', async () => {
    const all = { all: true } as const;
    const plan = basketPlan(
      { c: '4.00' },
      [
        offer(
          'first',
          { kind: 'mixAndMatch', items: all, take: 2, value: { amountOff: '0.50' } },
          { priority: 1, codes: ['HALF'] },
        ),
        offer(
          'second',
          { kind: 'mixAndMatch', items: all, take: 2, value: { total: '6.00' } },
          { priority: 2 },
        ),
      ],
      { policy: { baskets: 'priority' } },
    );
    const tried = await rung(plan, person('viewer'), basketOf({ c: 2 }, { codes: ['HALF'] }));
    expect(tried).toMatchObject({
      value: { receipt: { total: '7.50' }, codes: [{ code: 'HALF', saves: '-1.50' }] },
    });
  });

  it('tells how far the next tier of a reward is, in money or in units', async () => {
    const plan = basketPlan({ c: '4.00' }, [
      offer('money', {
        kind: 'basketReward',
        threshold: 'subtotal',
        tiers: [
          { atLeast: '10.00', amountOff: '1.00' },
          { atLeast: '20.00', percentOff: 1_000 },
        ],
      }),
      offer('units', {
        kind: 'basketReward',
        threshold: 'units',
        tiers: [{ atLeast: 5, amountOff: '3.00' }],
      }),
      offer('others', {
        kind: 'basketReward',
        items: { items: [] },
        threshold: 'units',
        tiers: [{ atLeast: 1, amountOff: '3.00' }],
      }),
    ]);
    const ask = (c: number) => rung(plan, person('viewer'), basketOf({ c }));
    expect(await ask(2)).toMatchObject({
      value: {
        nextTiers: [
          { promotion: 'money', missing: '2.00', saving: '1.00' },
          { promotion: 'units', missing: 3, saving: '3.00' },
        ],
        promotions: { money: { name: 'money' }, units: { name: 'units' } },
      },
    });
    // What the tier reached already takes off is not told again.
    expect(await ask(4)).toMatchObject({
      value: {
        nextTiers: [
          { promotion: 'money', missing: '4.00', saving: '1.00' },
          { promotion: 'units', missing: 1, saving: '3.00' },
        ],
      },
    });
    expect(await ask(5)).toMatchObject({ value: { nextTiers: [] } });
  });

  it('is rung in one’s own stores only, and says what is wrong with it', async () => {
    const ring = (stores: string[] | null, basket = basketOf({ c: 1 })) =>
      rung(PLAN, person('store', stores), basket);
    expect(await ring(['other'])).toEqual({ ok: false, failure: { kind: 'forbidden' } });
    expect(await ring(null, basketOf({ c: 0.5 }))).toMatchObject({
      ok: false,
      failure: { kind: 'invalid', faults: [{ path: ['lines', 0, 'quantity'] }] },
    });
  });
});
