import type { Taken } from './beam.ts';
import { endOf, type LayeredGraph, SKIP } from './layered-graph.ts';

/** What contenders save with just the units that are taken, each in its role. */
export function savingOf(contenders: readonly LayeredGraph[], taken: readonly Taken[]): number {
  return contenders.reduce((sum, one) => {
    const roles = new Map<number, number>();
    for (const { unit, contender, role } of taken)
      if (contender === one.contender) roles.set(unit.position, role);
    return sum + (roles.size === 0 ? 0 : gainWith(one, roles));
  }, 0);
}

/** The most that an automaton can gain on a run that takes just these units in these roles. */
function gainWith(one: LayeredGraph, roles: ReadonlyMap<number, number>): number {
  const { units, offset, from, to, role, gain } = one;
  const ahead = new Float64Array(endOf(one) + 1);
  for (let l = units.length - 1; l >= 0; l--) {
    const wanted = roles.get(units[l]!.position) ?? SKIP;
    for (let s = offset[l]!; s < offset[l + 1]!; s++) {
      let best = Number.NEGATIVE_INFINITY;
      for (let a = from[s]!; a < from[s + 1]!; a++)
        if (role[a] === wanted) best = Math.max(best, gain[a]! + ahead[to[a]!]!);
      ahead[s] = best;
    }
  }
  return ahead[0]!;
}
