import { type Layered, SKIP } from './layered.ts';

/** What a unit costs an offer that takes it, by position; zero in a search without prices. */
export type UnitPrices = Float64Array;

/**
 * For each state before each unit, the most that a machine can still gain from there, less the prices of the units
 * that it takes.
 */
export function gainsAhead({ layers, sizes }: Layered, prices: UnitPrices): Float64Array[] {
  const ahead: Float64Array[] = new Array(layers.length + 1);
  ahead[layers.length] = new Float64Array(1);
  for (let l = layers.length - 1; l >= 0; l--) {
    const { unit, from, to, role, gain } = layers[l]!;
    const price = prices[unit.position]!;
    const next = ahead[l + 1]!;
    const here = new Float64Array(sizes[l]!);
    for (let s = 0; s < here.length; s++) {
      let best = Number.NEGATIVE_INFINITY;
      for (let a = from[s]!; a < from[s + 1]!; a++) {
        const worth = gain[a]! + next[to[a]!]! - (role[a] === SKIP ? 0 : price);
        if (worth > best) best = worth;
      }
      here[s] = best;
    }
    ahead[l] = here;
  }
  return ahead;
}

/** For each state before each unit, the most that a machine can have gained on the way there. */
export function gainsBehind({ layers, sizes }: Layered, prices: UnitPrices): Float64Array[] {
  const behind = sizes.map((size) => new Float64Array(size).fill(Number.NEGATIVE_INFINITY));
  behind[0]![0] = 0;
  layers.forEach(({ unit, from, to, role, gain }, l) => {
    const here = behind[l]!;
    const next = behind[l + 1]!;
    const price = prices[unit.position]!;
    for (let s = 0; s < here.length; s++) {
      for (let a = from[s]!; a < from[s + 1]!; a++) {
        const worth = here[s]! + gain[a]! - (role[a] === SKIP ? 0 : price);
        if (worth > next[to[a]!]!) next[to[a]!] = worth;
      }
    }
  });
  return behind;
}

/** The first of the best runs: each unit's role, {@link SKIP} where it is not taken. */
export function bestRun({ layers }: Layered, prices: UnitPrices, ahead: readonly Float64Array[]): Int32Array {
  const roles = new Int32Array(layers.length);
  let state = 0;
  layers.forEach(({ unit, from, to, role, gain }, l) => {
    const price = prices[unit.position]!;
    let best = from[state]!;
    let worth = Number.NEGATIVE_INFINITY;
    for (let a = from[state]!; a < from[state + 1]!; a++) {
      const here = gain[a]! + ahead[l + 1]![to[a]!]! - (role[a] === SKIP ? 0 : price);
      if (here > worth) [worth, best] = [here, a];
    }
    roles[l] = role[best]!;
    state = to[best]!;
  });
  return roles;
}
