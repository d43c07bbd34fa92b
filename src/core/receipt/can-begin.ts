import type { Unit } from '../offer/index.ts';

/**
 * Whether there are units enough to apply an offer at all: some for each part, and as many as all parts want together.
 * Most offers that a basket touches fail here, which is much cheaper to see than to search.
 * @param least the fewest units that each part wants
 * @param fits whether a unit is among the goods of each part
 */
export function canBegin(
  least: readonly number[],
  units: readonly Unit[],
  fits: readonly ((unit: Unit) => boolean)[],
): boolean {
  if (units.length < least.reduce((sum, quantity) => sum + quantity, 0)) return false;
  return (
    least.length === 1 ||
    least.every((quantity, part) => units.filter((unit) => fits[part]!(unit)).length >= quantity)
  );
}
