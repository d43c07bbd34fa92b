import fc from 'fast-check';
import { expect, it } from 'vitest';
import { generatedBasket } from '../../../tests/oracle/generated-baskets.ts';
import { solved } from '../../../tests/oracle/solver.ts';
import { basketOf, compiledOf } from '../../../tests/plans/basket-plan.ts';
import { parseBasket } from '../../contracts/index.ts';
import { assign } from '../assignment/index.ts';
import { ringingOf } from './index.ts';
import { offersInBasket } from './offers-in-basket.ts';

it.each([
  [20, 5, 60],
  [40, 3, 25],
])(
  '%i units and %i offers: the search saves what a mixed-integer solver saves',
  { timeout: 120_000 },
  (units, offers, numRuns) => {
    fc.assert(
      fc.property(generatedBasket({ units, offers }), (made) => {
        const compiled = compiledOf(made.plan);
        const parsed = parseBasket(basketOf(made.lines), compiled);
        if (!parsed.ok) throw new Error('a basket with faults');
        const { ringing } = ringingOf(compiled, parsed.basket);
        const all = offersInBasket(ringing.live, ringing.units, ringing.goods);
        const choice = assign(all, { left: 40_000_000 });
        const most = solved(all);
        expect(choice.proved).toBe(true);
        expect(choice.saving).toBe(most);
      }),
      { numRuns: Number(process.env.BASKET_RUNS ?? numRuns) },
    );
  },
);
