import { endOf, type Layered, SKIP } from './layered.ts';

/** What a unit costs an offer that takes it, by position; zero in a search without prices. */
export type UnitPrices = Float64Array;

/**
 * For each state the most that a machine can still gain from there, less the prices of the units that it takes.
 * @param out a place for the answer, for who asks often.
 */
export function gainsAhead(one: Layered, prices: UnitPrices, out = roomFor(one)): Float64Array {
  const { units, offset, from, to, role, gain } = one;
  out[endOf(one)] = 0;
  for (let l = units.length - 1; l >= 0; l--) {
    const price = prices[units[l]!.position]!;
    for (let s = offset[l]!; s < offset[l + 1]!; s++) {
      let best = Number.NEGATIVE_INFINITY;
      for (let a = from[s]!; a < from[s + 1]!; a++) {
        const worth = gain[a]! + out[to[a]!]! - (role[a] === SKIP ? 0 : price);
        if (worth > best) best = worth;
      }
      out[s] = best;
    }
  }
  return out;
}

export const roomFor = (one: Layered): Float64Array => new Float64Array(endOf(one) + 1);

/** For each state the most that a machine can have gained on the way there. */
export function gainsBehind(one: Layered, prices: UnitPrices): Float64Array {
  const { units, offset, from, to, role, gain } = one;
  const out = roomFor(one).fill(Number.NEGATIVE_INFINITY);
  out[0] = 0;
  for (let l = 0; l < units.length; l++) {
    const price = prices[units[l]!.position]!;
    for (let s = offset[l]!; s < offset[l + 1]!; s++)
      for (let a = from[s]!; a < from[s + 1]!; a++) {
        const worth = out[s]! + gain[a]! - (role[a] === SKIP ? 0 : price);
        if (worth > out[to[a]!]!) out[to[a]!] = worth;
      }
  }
  return out;
}

/** Follows the first of the best runs; tells each unit that it takes by its layer, with the role. */
export function followBest(
  { units, from, to, role, gain }: Layered,
  prices: UnitPrices,
  ahead: Float64Array,
  onTake: (layer: number, role: number) => void,
): void {
  let state = 0;
  for (let l = 0; l < units.length; l++) {
    const price = prices[units[l]!.position]!;
    let best = from[state]!;
    let worth = Number.NEGATIVE_INFINITY;
    for (let a = from[state]!; a < from[state + 1]!; a++) {
      const here = gain[a]! + ahead[to[a]!]! - (role[a] === SKIP ? 0 : price);
      if (here > worth) {
        worth = here;
        best = a;
      }
    }
    if (role[best] !== SKIP) onTake(l, role[best]!);
    state = to[best]!;
  }
}
