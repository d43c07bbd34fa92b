import { gainsAhead, gainsBehind, type Multipliers } from './best-run.ts';
import { type Arc, joined, type LayeredGraph, packed, SKIP } from './layered-graph.ts';
import type { Relaxation } from './relax.ts';

const CLOSE = 1e-6;

/** The contenders without what no choice of such a saving can contain; those of which nothing is left are left out. */
export function fix(
  layered: readonly LayeredGraph[],
  relaxation: Relaxation,
  saving: number,
): LayeredGraph[] {
  return layered.flatMap((one) => {
    const ahead = gainsAhead(one, relaxation.multipliers);
    // What all the others can gain at most, with the multipliers of all units.
    const others = relaxation.bound - ahead[0]!;
    const left = compact(one, relaxation.multipliers, ahead, saving - others - CLOSE);
    return left ? [left] : [];
  });
}

const on = (to: number): Arc => ({ to, role: SKIP, gain: 0, done: 0, gifts: 0 });

/**
 * The automaton with only those arcs that lie on a run worth at least so much. A unit that no arc takes any more is not
 * read any more.
 * @returns null where no unit is taken at all.
 */
function compact(
  one: LayeredGraph,
  multipliers: Multipliers,
  ahead: Float64Array,
  least: number,
): LayeredGraph | null {
  const { contender, units, offset, from, to, role, gain, done, gifts } = one;
  const behind = gainsBehind(one, multipliers);
  const layers: Arc[][][] = [];
  const read: LayeredGraph['units'][number][] = [];
  // Where each state after the layer at hand leads, once the layers that are not read any more are passed over.
  let beyond: (Arc | null)[] = [on(0)];
  for (let l = units.length - 1; l >= 0; l--) {
    const multiplier = multipliers[units[l]!.position]!;
    const kept: Arc[][] = [];
    let takes = false;
    for (let s = offset[l]!; s < offset[l + 1]!; s++) {
      const own: Arc[] = [];
      for (let a = from[s]!; a < from[s + 1]!; a++) {
        const paid = role[a] === SKIP ? 0 : multiplier;
        if (behind[s]! + gain[a]! - paid + ahead[to[a]!]! < least) continue;
        const next = beyond[to[a]! - offset[l + 1]!];
        if (!next) continue;
        takes ||= role[a] !== SKIP;
        own.push(joined({ to: 0, role: role[a]!, gain: gain[a]!, done: done[a]!, gifts: gifts[a]! }, next));
      }
      kept.push(own);
    }
    if (!takes) {
      beyond = kept.map((own) => own[0] ?? null);
      continue;
    }
    const live: Arc[][] = [];
    beyond = kept.map((own) => (own.length === 0 ? null : on(live.push(own) - 1)));
    layers.push(live);
    read.push(units[l]!);
  }
  // A run worth so much begins at the one start; what is skipped before the first unit brings nothing.
  return layers.length === 0 ? null : packed(contender, read.reverse(), layers.reverse());
}
