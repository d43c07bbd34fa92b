import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bruteForce } from '../../../tests/oracle/brute-force.ts';
import { familyOf, type GeneratedBasket, generatedBasket } from '../../../tests/oracle/generated-baskets.ts';
import { basketOf, ring } from '../../../tests/plans/basket-plan.ts';

const plainUnits = ({ lines, prices }: GeneratedBasket) =>
  lines.map(([sku]) => ({ sku, family: familyOf(sku), ...prices[sku]! }));

/** What a receipt says of the choice, in the words of the brute force. */
function choiceOf(receipt: ReturnType<typeof ring>, offers: GeneratedBasket['offers']) {
  const priorityOf = new Map(offers.map(({ id, priority = 100 }) => [id, priority]));
  const cents = (text: string) => Math.round(Number(text) * 100);
  return {
    saving: cents(receipt.saving),
    gifts: receipt.lines
      .filter(({ gift }) => gift)
      .reduce((sum, { tag, quantity }) => sum + cents(tag) * Number(quantity), 0),
    times: receipt.applications.reduce((sum, { times }) => sum + times, 0),
    priorities: receipt.applications.reduce(
      (sum, { promotion, times }) => sum + times * priorityOf.get(promotion)!,
      0,
    ),
    ids: receipt.applications
      .flatMap(({ promotion, times }) => Array.from({ length: times }, () => promotion))
      .sort(),
    used: receipt.applications.flatMap(({ units }) => units.map(({ line }) => line)).sort((a, b) => a - b),
  };
}

describe('the choice of applications', () => {
  it.each([
    [7, 3, 400, ''],
    [9, 2, 150, ''],
    [5, 5, 150, ''],
    [7, 3, 200, ' of which some may use only so many units'],
    [9, 2, 100, ' of which some may use only so many units'],
  ])(
    'of up to %i units and %i offers is the one that trying everything finds, ties included (%i times)%s',
    (units, offers, runs, limits) => {
      fc.assert(
        fc.property(generatedBasket({ units, offers, unitLimits: limits !== '' }), (made) => {
          const receipt = ring(made.plan, basketOf(made.lines));
          expect(receipt.proved).toBe(true);
          const best = bruteForce(plainUnits(made), made.offers, (sku) => made.prices[sku]!.tag);
          expect(choiceOf(receipt, made.offers)).toEqual(best);
        }),
        { numRuns: Number(process.env.BASKET_RUNS ?? runs) },
      );
    },
  );
});
