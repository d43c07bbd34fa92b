import type { LayeredGraph } from './layered-graph.ts';
import { together } from './together.ts';
import type { Unit } from './unit.ts';

/** Contenders that still want the same units, with those units in the common order. */
export interface Share {
  readonly contenders: readonly LayeredGraph[];
  readonly units: readonly Unit[];
}

/** Takes contenders apart that have no unit in common, directly or through others. */
export function split(contenders: readonly LayeredGraph[], units: readonly Unit[]): Share[] {
  const wants = contenders.map((contender) => contender.units.map(({ position }) => position));
  return together(wants).map((group) => {
    const read = new Set(group.flatMap((i) => wants[i]!));
    return {
      contenders: group.map((i) => contenders[i]!),
      units: units.filter(({ position }) => read.has(position)),
    };
  });
}
