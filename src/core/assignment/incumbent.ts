import type { Taken } from './beam.ts';
import { followBest, gainsAhead, type Multipliers, roomFor } from './best-run.ts';
import type { LayeredGraph } from './layered-graph.ts';
import type { Unit } from './unit.ts';

export interface Found {
  readonly saving: number;
  readonly taken: readonly Taken[];
}

/** By position. */
export const noMultipliers = (units: readonly Unit[]): Float64Array =>
  new Float64Array(1 + units.reduce((most, { position }) => Math.max(most, position), 0));

/** One contender after the other, always the one that saves most on what is left: where every search begins. */
export function biggestFirst(layered: readonly LayeredGraph[], units: readonly Unit[]): Found {
  return takeInTurn(layered, noMultipliers(units), { saving: 0, taken: [] });
}

/**
 * Out of the multipliers of a search: each contender takes what pays for it at these multipliers, the one that gains most first, and
 * then what is left is given away as ever.
 */
export function byMultipliers(
  layered: readonly LayeredGraph[],
  units: readonly Unit[],
  multipliers: Multipliers,
): Found {
  const dear = Float64Array.from(noMultipliers(units), (_, position) => multipliers[position]!);
  const gains = layered.map((one) => ({ one, room: roomFor(one), gain: 0 }));
  for (const each of gains) each.gain = gainsAhead(each.one, dear, each.room)[0]!;
  const free = noMultipliers(units);
  const rest: LayeredGraph[] = [];
  let found: Found = { saving: 0, taken: [] };
  for (const { one, room } of gains.sort((a, b) => b.gain - a.gain)) {
    const ahead = gainsAhead(one, dear, room);
    const run = ahead[0]! > -1e-9 ? runOf(one, dear, ahead) : { saving: 0, taken: [] };
    if (run.taken.length === 0) {
      rest.push(one);
      continue;
    }
    for (const { unit } of run.taken) {
      dear[unit.position] = Number.POSITIVE_INFINITY;
      free[unit.position] = Number.POSITIVE_INFINITY;
    }
    found = { saving: found.saving + run.saving, taken: [...found.taken, ...run.taken] };
  }
  return takeInTurn(rest, free, found);
}

function takeInTurn(layered: readonly LayeredGraph[], multipliers: Float64Array, begun: Found): Found {
  const rooms = layered.map(roomFor);
  const worth = layered.map((one, i) => gainsAhead(one, multipliers, rooms[i])[0]!);
  const stale = layered.map(() => false);
  const readers = new Map<number, number[]>();
  layered.forEach(({ units }, i) => {
    for (const { position } of units) {
      const here = readers.get(position);
      if (here) here.push(i);
      else readers.set(position, [i]);
    }
  });
  const taken: Taken[] = [...begun.taken];
  let { saving } = begun;
  for (;;) {
    // What was worth it before some of its units went can only be worth less: it is asked anew when its turn comes.
    let best = -1;
    for (let i = 0; i < worth.length; i++)
      if (worth[i]! > 0 && (best < 0 || worth[i]! > worth[best]!)) best = i;
    if (best < 0) return { saving, taken };
    const one = layered[best]!;
    if (stale[best]) {
      worth[best] = gainsAhead(one, multipliers, rooms[best])[0]!;
      stale[best] = false;
      continue;
    }
    const run = runOf(one, multipliers, rooms[best]!);
    taken.push(...run.taken);
    saving += run.saving;
    worth[best] = 0;
    for (const { unit } of run.taken) {
      multipliers[unit.position] = Number.POSITIVE_INFINITY;
      for (const reader of readers.get(unit.position)!) stale[reader] = true;
    }
  }
}

/** The best run of one contender at some multipliers, and what it saves without them. */
function runOf(one: LayeredGraph, multipliers: Multipliers, ahead: Float64Array): Found {
  const taken: Taken[] = [];
  let paid = 0;
  followBest(one, multipliers, ahead, (layer, role) => {
    const unit = one.units[layer]!;
    paid += multipliers[unit.position]!;
    taken.push({ unit, contender: one.contender, role });
  });
  return { saving: Math.round(ahead[0]! + paid), taken };
}
