import { describe, expect, it } from 'vitest';
import { basketPlan, compiledOf, offer } from '../../../tests/plans/basket-plan.ts';
import { change } from '../../../tests/plans/small-plan.ts';
import type { PlanDocument, PromotionDocument } from '../plan/index.ts';
import { type Basket, codesHeld, standIns } from '../receipt/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { findLoopholes } from './index.ts';

const WHEN = { from: '2027-02-01T00:00', to: '2027-04-01T00:00' };
const circumstances: Basket = {
  ...{
    id: null,
    store: 'shop',
    at: Date.parse('2027-03-01T12:00Z') as never,
    channel: 'till',
    terminal: null,
  },
  ...{ shopper: GUEST, history: null, codes: [], usesSoFar: new Map(), payment: null, delivery: null },
  ...{ region: null, postcode: null, linkTag: null, lines: [] },
};
const search = (plan: PlanDocument) =>
  findLoopholes(compiledOf(plan), { circumstances, units: 12, further: 0 });
const ITEMS = {
  a: { cost: '1.00', prices: [{ price: '2.00' }] },
  b: { cost: '1.00', prices: [{ price: '3.00' }] },
};
const NOTHING = { found: [], looked: { units: 12, proved: true, bound: null, baskets: 0 } };

describe('the search for loopholes', () => {
  it('finds nothing where no good has a cost, or a store has no goods', () => {
    const change_ = change('n', { when: WHEN, items: { items: ['a'] } });
    expect(search(basketPlan({ a: '2.00', b: '3.00' }, [change_]))).toEqual(NOTHING);
    const ranges = [{ id: 'r', name: 'R', stores: { stores: ['shop'] }, items: { items: [] } }];
    expect(search({ ...basketPlan(ITEMS, [change_]), ranges })).toEqual(NOTHING);
  });

  it('finds what somebody buys who holds a code of a batch, and tells by what', () => {
    const half: PromotionDocument['offer'] = {
      kind: 'basketReward',
      threshold: 'subtotal',
      tiers: [{ atLeast: '2.00', percentOff: 9_000 }],
    };
    const plan = basketPlan(ITEMS, [offer('w', half, { when: WHEN, codeBatches: true })]);
    const compiled = compiledOf(plan);
    const codes = compiled.plan.promotions.flatMap(codesHeld);
    const held = { ...circumstances, codes, vouched: standIns(compiled.plan.promotions) };
    const { found } = findLoopholes(compiled, { circumstances: held, units: 2, further: 0 });
    expect(found[0]).toMatchObject({ promotions: ['w'], basket: { codes: ['any-code-of-w'] } });
    expect(found[0]!.margin).toBeLessThan(0);
    // Nobody else gets it.
    expect(search(plan).found.some(({ promotions }) => promotions.includes('w'))).toBe(false);
  });

  it('ends, proved, where hundreds of promotions are about one item, or one comes again every hour', () => {
    const deals = Array.from({ length: 200 }, (_, i) =>
      offer(
        `o${i}`,
        { kind: 'mixAndMatch', items: { items: ['a'] }, take: 2 + (i % 5), value: { percentOff: 1_000 + i } },
        { when: WHEN },
      ),
    );
    expect(search(basketPlan(ITEMS, deals)).looked.proved).toBe(true);
    const hourly = {
      from: '2027-01-01T00:00',
      repeat: { rrule: 'FREQ=HOURLY', duration: 'PT30M' },
    };
    const often = change('h', { when: hourly, items: { items: ['a'] }, formula: { percentOff: 9_000 } });
    expect(search(basketPlan(ITEMS, [often]))).toMatchObject({
      found: [{ margin: -960, promotions: ['h'] }, {}],
      looked: { proved: true },
    });
  });
});
