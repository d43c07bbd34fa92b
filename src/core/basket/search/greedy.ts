import type { Unit } from '../unit.ts';
import { bestRun, gainsAhead, type UnitPrices } from './best-run.ts';
import { type Layered, SKIP } from './layered.ts';
import type { Taken } from './sweep.ts';

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
  const gains = layered.map((one) => ({ one, gain: gainsAhead(one, dear)[0]![0]! }));
  const free = noPrices(units);
  const rest: Layered[] = [];
  let found: Found = { saving: 0, taken: [] };
  for (const { one } of gains.sort((a, b) => b.gain - a.gain)) {
    const ahead = gainsAhead(one, dear);
    const taken = ahead[0]![0]! > -1e-9 ? runOf(one, dear, ahead) : { saving: 0, taken: [] };
    if (taken.taken.length === 0) {
      rest.push(one);
      continue;
    }
    for (const { unit } of taken.taken) {
      dear[unit.position] = Number.POSITIVE_INFINITY;
      free[unit.position] = Number.POSITIVE_INFINITY;
    }
    found = { saving: found.saving + taken.saving, taken: [...found.taken, ...taken.taken] };
  }
  return takeInTurn(rest, free, found);
}

function takeInTurn(layered: readonly Layered[], prices: Float64Array, begun: Found): Found {
  const rest = new Set(layered);
  const worth = new Map(layered.map((one) => [one, gainsAhead(one, prices)[0]![0]!]));
  const taken: Taken[] = [...begun.taken];
  let { saving } = begun;
  while (rest.size > 0) {
    let best: Layered | null = null;
    for (const one of rest) if (!best || worth.get(one)! > worth.get(best)!) best = one;
    if (!best || worth.get(best)! <= 0) break;
    const run = runOf(best, prices, gainsAhead(best, prices));
    taken.push(...run.taken);
    saving += run.saving;
    rest.delete(best);
    const gone = new Set(run.taken.map(({ unit }) => unit.position));
    for (const position of gone) prices[position] = Number.POSITIVE_INFINITY;
    for (const one of rest)
      if (one.layers.some(({ unit }) => gone.has(unit.position)))
        worth.set(one, gainsAhead(one, prices)[0]![0]!);
  }
  return { saving, taken };
}

/** The best run of one offer at some prices, and what it saves without them. */
function runOf(one: Layered, prices: UnitPrices, ahead: readonly Float64Array[]): Found {
  const taken: Taken[] = [];
  let paid = 0;
  bestRun(one, prices, ahead).forEach((role, l) => {
    if (role === SKIP) return;
    const { unit } = one.layers[l]!;
    paid += prices[unit.position]!;
    taken.push({ unit, offer: one.offer, role });
  });
  return { saving: Math.round(ahead[0]![0]! + paid), taken };
}
