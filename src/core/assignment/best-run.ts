import { endOf, type LayeredGraph, SKIP } from './layered-graph.ts';

/** What a unit costs a contender that takes it, by position; zero in a search without multipliers. */
export type Multipliers = Float64Array;

/**
 * For each state the most that an automaton can still gain from there, less the multipliers of the units that it takes.
 * @param out a place for the answer, for who asks often.
 */
export function gainsAhead(one: LayeredGraph, multipliers: Multipliers, out = roomFor(one)): Float64Array {
  const { units, offset, from, to, role, gain } = one;
  out[endOf(one)] = 0;
  for (let l = units.length - 1; l >= 0; l--) {
    const multiplier = multipliers[units[l]!.position]!;
    for (let s = offset[l]!; s < offset[l + 1]!; s++) {
      let best = Number.NEGATIVE_INFINITY;
      for (let a = from[s]!; a < from[s + 1]!; a++) {
        const worth = gain[a]! + out[to[a]!]! - (role[a] === SKIP ? 0 : multiplier);
        if (worth > best) best = worth;
      }
      out[s] = best;
    }
  }
  return out;
}

export const roomFor = (one: LayeredGraph): Float64Array => new Float64Array(endOf(one) + 1);

/** For each state the most that an automaton can have gained on the way there. */
export function gainsBehind(one: LayeredGraph, multipliers: Multipliers): Float64Array {
  const { units, offset, from, to, role, gain } = one;
  const out = roomFor(one).fill(Number.NEGATIVE_INFINITY);
  out[0] = 0;
  for (let l = 0; l < units.length; l++) {
    const multiplier = multipliers[units[l]!.position]!;
    for (let s = offset[l]!; s < offset[l + 1]!; s++)
      for (let a = from[s]!; a < from[s + 1]!; a++) {
        const worth = out[s]! + gain[a]! - (role[a] === SKIP ? 0 : multiplier);
        if (worth > out[to[a]!]!) out[to[a]!] = worth;
      }
  }
  return out;
}

/** Follows the first of the best runs; tells each unit that it takes by its layer, with the role. */
export function followBest(
  { units, from, to, role, gain }: LayeredGraph,
  multipliers: Multipliers,
  ahead: Float64Array,
  onTake: (layer: number, role: number) => void,
): void {
  let state = 0;
  for (let l = 0; l < units.length; l++) {
    const multiplier = multipliers[units[l]!.position]!;
    let best = from[state]!;
    let worth = Number.NEGATIVE_INFINITY;
    for (let a = from[state]!; a < from[state + 1]!; a++) {
      const here = gain[a]! + ahead[to[a]!]! - (role[a] === SKIP ? 0 : multiplier);
      if (here > worth) {
        worth = here;
        best = a;
      }
    }
    if (role[best] !== SKIP) onTake(l, role[best]!);
    state = to[best]!;
  }
}
