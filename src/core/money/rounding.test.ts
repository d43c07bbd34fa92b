import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isOnGrid, minorUnits, type Rounding, ratio, roundPrice } from './index.ts';

const m = minorUnits;
const nines: Rounding = { kind: 'ending', endings: [m(99)], per: m(100), mode: 'nearest' };
const fourNines: Rounding = { kind: 'ending', endings: [m(49), m(99)], per: m(100), mode: 'nearest' };

describe('rounding', () => {
  it.each<[string, number, number, Rounding | null, number]>([
    [
      'example 1: 15 % off 24.90, up to 0.05',
      2490 * 8500,
      10_000,
      { kind: 'step', step: m(5), mode: 'up' },
      2120,
    ],
    ['8.30 to the nearest .99', 830, 1, nines, 799],
    ['8.50 to the nearest .99', 850, 1, nines, 899],
    ['7.20 to the nearest .49 or .99', 720, 1, fourNines, 699],
    ['a tie of a step goes up', 25, 10, { kind: 'step', step: m(5), mode: 'nearest' }, 5],
    ['a tie of endings goes down', 74, 1, fourNines, 49],
    ['a price on the grid stays', 799, 1, { ...nines, mode: 'up' }, 799],
    ['never zero from a price above zero', 2, 1, { kind: 'step', step: m(5), mode: 'down' }, 5],
    ['zero itself is not rounded', 0, 1, nines, 0],
    ['no rule: half away from zero', 5, 2, null, 3],
  ])('%s', (_, num, den, rule, wanted) => {
    expect(roundPrice(ratio(num, den), rule)).toBe(wanted);
  });

  it('never leaves its grid and never misses the nearest price on it by more than a period', () => {
    const mode = fc.constantFrom('nearest' as const, 'up' as const, 'down' as const);
    const step = fc.record({
      kind: fc.constant('step' as const),
      step: fc.integer({ min: 1, max: 500 }).map(m),
      mode,
    });
    const ending = fc
      .record({
        endings: fc.uniqueArray(fc.integer({ min: 0, max: 99 }), { minLength: 1, maxLength: 4 }),
        mode,
      })
      .map(({ endings, mode }) => ({
        kind: 'ending' as const,
        endings: endings.sort((a, b) => a - b).map(m),
        per: m(100),
        mode,
      }));
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 10_000_000 }),
        fc.integer({ min: 1, max: 999 }),
        fc.oneof(step, ending),
        (num, den, rule) => {
          const price = roundPrice(ratio(num, den), rule);
          const period = rule.kind === 'step' ? rule.step : rule.per;
          return price > 0 && isOnGrid(price, rule) && Math.abs(price - num / den) <= 2 * period;
        },
      ),
      { seed: 11 },
    );
  });
});
