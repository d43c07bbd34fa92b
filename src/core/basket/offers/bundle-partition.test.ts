import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { partitionOf } from './bundle-partition.ts';

/** Every way of putting units together, tried. */
function bestOf(prices: readonly number[], take: number, amount: number): number {
  if (prices.length === 0) return 0;
  const [first, ...others] = prices;
  let best = 0;
  const extend = (sum: number, taken: number, from: number, left: readonly number[]): void => {
    if (taken === take) {
      best = Math.max(best, Math.min(amount, sum) + bestOf(left, take, amount));
      return;
    }
    for (let i = from; i < left.length; i++) extend(sum + left[i]!, taken + 1, i, left.toSpliced(i, 1));
  };
  extend(first!, 1, 0, others);
  return best;
}

const cases = fc
  .tuple(fc.integer({ min: 2, max: 4 }), fc.integer({ min: 1, max: 4 }))
  .filter(([take, bundles]) => take * bundles <= 9)
  .chain(([take, bundles]) =>
    fc.record({
      take: fc.constant(take),
      amount: fc.integer({ min: 1, max: 60 }),
      prices: fc.array(fc.integer({ min: 0, max: 30 }), {
        minLength: take * bundles,
        maxLength: take * bundles,
      }),
    }),
  );

describe('units put together in bundles that bear no more than they cost', () => {
  it('bear as much as in the best of all ways, every unit in one bundle', () => {
    fc.assert(
      fc.property(cases, ({ prices, take, amount }) => {
        const { worth, groups } = partitionOf(prices, take, amount);
        expect(worth).toBe(bestOf(prices, take, amount));
        expect(groups.flat().sort((a, b) => a - b)).toEqual(prices.map((_, i) => i));
        expect(groups.every((group) => group.length === take)).toBe(true);
        const borne = groups.map((group) => group.reduce((sum, i) => sum + prices[i]!, 0));
        expect(borne.reduce((sum, cost) => sum + Math.min(amount, cost), 0)).toBe(worth);
      }),
      { numRuns: 400 },
    );
  });

  it.each([
    ['the dearest with the cheapest', [10, 9, 2, 1], 2, 11, 22],
    ['no matter how, where every bundle costs enough', [9, 9, 9, 9], 2, 10, 20],
    ['all of it, where no bundle costs enough', [3, 2, 2, 1], 2, 10, 8],
    ['two of one price for want of better', [8, 8, 1, 1], 2, 16, 18],
    ['three at a time', [9, 5, 5, 4, 4, 1], 3, 14, 28],
  ])('%s', (_, prices, take, amount, worth) => {
    expect(partitionOf(prices, take, amount).worth).toBe(worth);
  });

  it('does with forty different ones what nothing can better', () => {
    const prices = Array.from({ length: 40 }, (_, i) => 101 + 13 * i);
    const { worth, groups } = partitionOf(prices, 4, 1_200);
    expect(worth).toBe(10 * 1_200);
    expect(new Set(groups.flat()).size).toBe(40);
  });
});
