import type { UnitOffer } from '../../plan/index.ts';
import type { Unit } from '../unit.ts';

/** The fewest units with which an offer can be applied, for each of its parts. */
export function leastUnits(offer: UnitOffer): readonly number[] {
  switch (offer.kind) {
    case 'bundle':
    case 'rewardUnit':
      return [offer.take];
    case 'buyAndGet':
      return [...offer.buy.map(({ quantity }) => quantity), offer.get.quantity];
    case 'combo':
      return offer.slots.map(({ quantity }) => quantity);
    case 'quantityBreak':
      return [offer.tiers[0]!.atLeast];
    case 'freeGoods':
      return [offer.minimum];
  }
}

/**
 * Whether there are units enough to apply an offer at all: some for each part, and as many as all parts want together.
 * Most offers that a basket touches fail here, which is much cheaper to see than to search.
 */
export function canBegin(
  offer: UnitOffer,
  units: readonly Unit[],
  fits: readonly ((unit: Unit) => boolean)[],
): boolean {
  const least = leastUnits(offer);
  if (units.length < least.reduce((sum, quantity) => sum + quantity, 0)) return false;
  return (
    least.length === 1 ||
    least.every((quantity, part) => units.filter((unit) => fits[part]!(unit)).length >= quantity)
  );
}
