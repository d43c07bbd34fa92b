import { type Limit, NOTHING, taking, unordered } from '../../assignment/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import type { Unit } from '../room/unit.ts';

/** What the units of a bundle bring, as a sum over them. */
export interface Worth {
  unit(unit: Unit): number;
  /** Added when the bundle is complete. */
  readonly whole: number;
}

/**
 * Exactly so many units a time. States: units in the open bundle, bundles made so far where they are limited, and the way its units are counted.
 * @param ways in which the units of a bundle may be counted, the same way for all of one bundle.
 */
export function countingAutomaton(
  number: number,
  take: number,
  members: readonly Unit[],
  ways: readonly Worth[],
  limit: Limit,
): OfferAutomaton {
  const limited = Number.isFinite(limit);
  const at = (fill: number, made: number, way: number) =>
    (way * take + fill) * (limited ? limit + 1 : 1) + made;
  return unordered(number, members, {
    takings(state, unit) {
      const made = limited ? state % (limit + 1) : 0;
      const place = limited ? Math.floor(state / (limit + 1)) : state;
      const fill = place % take;
      if (made >= limit) return [];
      const open = fill === 0 ? ways.map((_, way) => way) : [Math.floor(place / take)];
      return open.map((way) => {
        const { unit: worth, whole } = ways[way]!;
        if (fill + 1 < take) return taking(at(fill + 1, made, way), 0, worth(unit));
        return taking(at(0, limited ? made + 1 : 0, 0), 0, worth(unit) + whole, 1);
      });
    },
    accepts(state) {
      const place = limited ? Math.floor(state / (limit + 1)) : state;
      return place % take === 0 ? NOTHING : null;
    },
  });
}
