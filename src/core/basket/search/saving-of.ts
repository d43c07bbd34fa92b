import type { Taken } from './front.ts';
import { endOf, type Layered, SKIP } from './layered.ts';

/** What offers save with just the units that are taken, each in its role. */
export function savingOf(offers: readonly Layered[], taken: readonly Taken[]): number {
  return offers.reduce((sum, one) => {
    const roles = new Map<number, number>();
    for (const { unit, offer, role } of taken) if (offer === one.offer) roles.set(unit.position, role);
    return sum + (roles.size === 0 ? 0 : gainWith(one, roles));
  }, 0);
}

/** The most that a machine can gain on a run that takes just these units in these roles. */
function gainWith(one: Layered, roles: ReadonlyMap<number, number>): number {
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
