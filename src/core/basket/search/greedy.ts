import type { Unit } from '../unit.ts';
import { followBest, gainsAhead, roomFor, type UnitPrices } from './best-run.ts';
import type { Taken } from './front.ts';
import type { Layered } from './layered.ts';

export interface Found {
  readonly saving: number;
  readonly taken: readonly Taken[];
}

/** By position. */
export const noPrices = (units: readonly Unit[]): Float64Array =>
  new Float64Array(1 + units.reduce((most, { position }) => Math.max(most, position), 0));

/** One offer after the other, always the one that saves most on what is left: where every search begins. */
export function biggestFirst(layered: readonly Layered[], units: readonly Unit[]): Found {
  return takeInTurn(layered, noPrices(units), { saving: 0, taken: [] });
}

/**
 * Out of the prices of a search: each offer takes what pays for it at these prices, the one that gains most first, and
 * then what is left is given away as ever.
 */
export function byPrices(layered: readonly Layered[], units: readonly Unit[], prices: UnitPrices): Found {
  const dear = Float64Array.from(noPrices(units), (_, position) => prices[position]!);
  const gains = layered.map((one) => ({ one, room: roomFor(one), gain: 0 }));
  for (const each of gains) each.gain = gainsAhead(each.one, dear, each.room)[0]!;
  const free = noPrices(units);
  const rest: Layered[] = [];
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

function takeInTurn(layered: readonly Layered[], prices: Float64Array, begun: Found): Found {
  const rooms = layered.map(roomFor);
  const worth = layered.map((one, i) => gainsAhead(one, prices, rooms[i])[0]!);
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
      worth[best] = gainsAhead(one, prices, rooms[best])[0]!;
      stale[best] = false;
      continue;
    }
    const run = runOf(one, prices, rooms[best]!);
    taken.push(...run.taken);
    saving += run.saving;
    worth[best] = 0;
    for (const { unit } of run.taken) {
      prices[unit.position] = Number.POSITIVE_INFINITY;
      for (const reader of readers.get(unit.position)!) stale[reader] = true;
    }
  }
}

/** The best run of one offer at some prices, and what it saves without them. */
function runOf(one: Layered, prices: UnitPrices, ahead: Float64Array): Found {
  const taken: Taken[] = [];
  let paid = 0;
  followBest(one, prices, ahead, (layer, role) => {
    const unit = one.units[layer]!;
    paid += prices[unit.position]!;
    taken.push({ unit, offer: one.offer, role });
  });
  return { saving: Math.round(ahead[0]! + paid), taken };
}
