import type { Unit } from '../unit.ts';
import type { Layered } from './layered.ts';

/** Offers that still want the same units, with those units in the common order. */
export interface Share {
  readonly offers: readonly Layered[];
  readonly units: readonly Unit[];
}

/** Takes offers apart that have no unit in common, directly or through others. */
export function split(offers: readonly Layered[], units: readonly Unit[]): Share[] {
  const parent = offers.map((_, i) => i);
  const rootOf = (i: number): number => {
    let at = i;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  };
  const reader = new Map<number, number>();
  offers.forEach((offer, i) => {
    for (const { position } of offer.units) {
      const other = reader.get(position);
      if (other === undefined) reader.set(position, i);
      else parent[rootOf(i)] = rootOf(other);
    }
  });
  const shares = new Map<number, { offers: Layered[]; units: Unit[] }>();
  offers.forEach((offer, i) => {
    const root = rootOf(i);
    const share = shares.get(root) ?? { offers: [], units: [] };
    share.offers.push(offer);
    shares.set(root, share);
  });
  for (const unit of units) {
    const first = reader.get(unit.position);
    if (first !== undefined) shares.get(rootOf(first))!.units.push(unit);
  }
  return [...shares.values()];
}
