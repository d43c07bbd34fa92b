import { shareOut } from '../../money/index.ts';
import type { Application } from './in-basket.ts';

/**
 * Shares the reduction of each group of units over them, in proportion to their starting prices (pricing rules 4.6).
 * @param groups places of the units that belong together
 * @param reduction what is taken off all of a group, which costs `sum` before
 * @returns what each unit costs
 */
export function reducedTogether(
  { run: { units }, start }: Application,
  groups: readonly (readonly number[])[],
  reduction: (sum: number, places: readonly number[]) => number,
): number[] {
  const starts = units.map(start);
  const prices = [...starts];
  for (const places of groups) {
    const sum = places.reduce((all, i) => all + starts[i]!, 0);
    const shares = shareOut(
      reduction(sum, places),
      places.map((i) => ({ weight: starts[i]!, position: units[i]!.position })),
    );
    places.forEach((i, at) => {
      prices[i] = starts[i]! - shares[at]!;
    });
  }
  return prices;
}
