import type { Unit } from '../unit.ts';
import type { Layered } from './layered.ts';
import { together } from './together.ts';

/** Offers that still want the same units, with those units in the common order. */
export interface Share {
  readonly offers: readonly Layered[];
  readonly units: readonly Unit[];
}

/** Takes offers apart that have no unit in common, directly or through others. */
export function split(offers: readonly Layered[], units: readonly Unit[]): Share[] {
  const wants = offers.map((offer) => offer.units.map(({ position }) => position));
  return together(wants).map((group) => {
    const read = new Set(group.flatMap((i) => wants[i]!));
    return {
      offers: group.map((i) => offers[i]!),
      units: units.filter(({ position }) => read.has(position)),
    };
  });
}
