import fc from 'fast-check';
import { expect, it } from 'vitest';
import { generatedBasket } from '../../../tests/oracle/generated-baskets.ts';
import { basketOf, basketPlan, compiledOf, offer } from '../../../tests/plans/basket-plan.ts';
import { parseBasket } from '../../contracts/index.ts';
import type { PlanDocument } from '../plan/index.ts';
import { type BasketDocument, ring, ringBasket, secondBest } from './index.ts';

const WORK = 5_000_000;

function second(plan: PlanDocument, document: BasketDocument) {
  const compiled = compiledOf(plan);
  const parsed = parseBasket(document, compiled);
  if (!parsed.ok) throw new Error('a basket with faults');
  const best = ring(compiled, parsed.basket);
  return { best: best.receipt, second: secondBest(best, WORK) };
}

it('is what another offer would give, and how much less that saves', () => {
  const two = (id: string, total: string) =>
    offer(id, { kind: 'mixAndMatch', items: { all: true }, take: 2, value: { total } });
  const plan = basketPlan({ x: '5.00' }, [two('a', '7.00'), two('b', '8.50')]);
  const found = second(plan, basketOf({ x: 2 })).second;
  expect(found).toMatchObject({
    without: 'a',
    difference: 150,
    receipt: { applications: [{ promotion: 'b' }] },
  });
});

it('is nothing where no offer is applied', () => {
  expect(second(basketPlan({ x: '5.00' }, []), basketOf({ x: 2 })).second).toBeNull();
});

it('never saves more than the best', () => {
  fc.assert(
    fc.property(generatedBasket({ units: 8, offers: 4 }), (made) => {
      const found = second(made.plan, basketOf(made.lines));
      expect(found.second === null).toBe(found.best.applications.length === 0);
      if (found.second) expect(found.second.difference).toBeGreaterThanOrEqual(0);
    }),
    { numRuns: 100 },
  );
});

it('is what would be rung if the offer were not there at all', () => {
  fc.assert(
    fc.property(generatedBasket({ units: 8, offers: 4 }), ({ plan, lines }) => {
      const { second: found } = second(plan, basketOf(lines));
      if (!found) return;
      const others = { ...plan, promotions: plan.promotions.filter(({ id }) => id !== found.without) };
      const compiled = compiledOf(others);
      const parsed = parseBasket(basketOf(lines), compiled);
      if (!parsed.ok) throw new Error('a basket with faults');
      const { total, saving, applications } = ringBasket(compiled, parsed.basket, WORK, { nearly: false });
      expect(found.receipt).toMatchObject({ total, saving, applications });
    }),
    { numRuns: 150 },
  );
});
