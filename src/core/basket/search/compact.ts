import { gainsAhead, gainsBehind, type UnitPrices } from './best-run.ts';
import { type Arc, joined, type Layered, packed, SKIP } from './layered.ts';
import type { Pricing } from './unit-prices.ts';

const CLOSE = 1e-6;

/** The offers without what no choice of such a saving can contain; those of which nothing is left are left out. */
export function worthwhile(layered: readonly Layered[], pricing: Pricing, saving: number): Layered[] {
  return layered.flatMap((one) => {
    const ahead = gainsAhead(one, pricing.prices);
    // What all the others can gain at most, with the prices of all units.
    const others = pricing.bound - ahead[0]!;
    const left = compact(one, pricing.prices, ahead, saving - others - CLOSE);
    return left ? [left] : [];
  });
}

const on = (to: number): Arc => ({ to, role: SKIP, gain: 0, done: 0, gifts: 0 });

/**
 * The machine with only those arcs that lie on a run worth at least so much. A unit that no arc takes any more is not
 * read any more.
 * @returns null where no unit is taken at all.
 */
function compact(one: Layered, prices: UnitPrices, ahead: Float64Array, least: number): Layered | null {
  const { offer, units, offset, from, to, role, gain, done, gifts } = one;
  const behind = gainsBehind(one, prices);
  const layers: Arc[][][] = [];
  const read: Layered['units'][number][] = [];
  // Where each state after the layer at hand leads, once the layers that are not read any more are passed over.
  let beyond: (Arc | null)[] = [on(0)];
  for (let l = units.length - 1; l >= 0; l--) {
    const price = prices[units[l]!.position]!;
    const kept: Arc[][] = [];
    let takes = false;
    for (let s = offset[l]!; s < offset[l + 1]!; s++) {
      const own: Arc[] = [];
      for (let a = from[s]!; a < from[s + 1]!; a++) {
        const paid = role[a] === SKIP ? 0 : price;
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
  return layers.length === 0 ? null : packed(offer, read.reverse(), layers.reverse());
}
