import type { UnitPrices } from './best-run.ts';
import { gainsAhead, gainsBehind } from './best-run.ts';
import { type Layer, type Layered, SKIP } from './layered.ts';
import type { Pricing } from './unit-prices.ts';

const CLOSE = 1e-6;

/** The offers without what no choice of such a saving can contain; those of which nothing is left are left out. */
export function worthwhile(layered: readonly Layered[], pricing: Pricing, saving: number): Layered[] {
  return layered.flatMap((one) => {
    const ahead = gainsAhead(one, pricing.prices);
    // What all the others can gain at most, with the prices of all units.
    const others = pricing.bound - ahead[0]![0]!;
    const left = compact(one, pricing.prices, ahead, saving - others - CLOSE);
    return left ? [left] : [];
  });
}

interface Kept {
  to: number;
  role: number;
  gain: number;
  done: number;
  gifts: number;
}

/**
 * The machine with only those arcs that lie on a run worth at least so much. A unit that no arc takes any more is not
 * read any more.
 * @returns null where no unit is taken at all.
 */
function compact(
  { offer, layers, sizes }: Layered,
  prices: UnitPrices,
  ahead: readonly Float64Array[],
  least: number,
): Layered | null {
  const behind = gainsBehind({ offer, layers, sizes, arcs: 0 }, prices);
  let arcs = 0;
  const out: Layer[] = [];
  const outSizes: number[] = [1];
  // Where each state after the layer at hand leads, once the layers that are not read any more are passed over.
  let beyond: (Kept | null)[] = [{ to: 0, role: SKIP, gain: 0, done: 0, gifts: 0 }];
  for (let l = layers.length - 1; l >= 0; l--) {
    const layer = layers[l]!;
    const price = prices[layer.unit.position]!;
    const kept: Kept[][] = [];
    let takes = false;
    for (let s = 0; s < sizes[l]!; s++) {
      const own: Kept[] = [];
      for (let a = layer.from[s]!; a < layer.from[s + 1]!; a++) {
        const paid = layer.role[a] === SKIP ? 0 : price;
        if (behind[l]![s]! + layer.gain[a]! - paid + ahead[l + 1]![layer.to[a]!]! < least) continue;
        const next = beyond[layer.to[a]!];
        if (!next) continue;
        takes ||= layer.role[a] !== SKIP;
        own.push({
          to: next.to,
          role: layer.role[a]!,
          gain: layer.gain[a]! + next.gain,
          done: layer.done[a]! + next.done,
          gifts: layer.gifts[a]! + next.gifts,
        });
      }
      kept.push(own);
    }
    if (!takes) {
      beyond = kept.map((own) => own[0] ?? null);
      continue;
    }
    const numbers: (Kept | null)[] = [];
    const live = kept.filter((own, s) => {
      const number = numbers.filter((one) => one !== null).length;
      numbers[s] = own.length === 0 ? null : { to: number, role: SKIP, gain: 0, done: 0, gifts: 0 };
      return own.length > 0;
    });
    const all = live.flat();
    arcs += all.length;
    const from = new Int32Array(live.length + 1);
    live.forEach((own, s) => {
      from[s + 1] = from[s]! + own.length;
    });
    out.push({
      unit: layer.unit,
      from,
      to: Int32Array.from(all, ({ to }) => to),
      role: Int32Array.from(all, ({ role }) => role),
      gain: Float64Array.from(all, ({ gain }) => gain),
      done: Float64Array.from(all, ({ done }) => done),
      gifts: Float64Array.from(all, ({ gifts }) => gifts),
    });
    outSizes.push(live.length);
    beyond = numbers;
  }
  // A run worth so much begins at the one start; what is skipped before the first unit brings nothing.
  return out.length === 0 ? null : { offer, layers: out.reverse(), sizes: outSizes.reverse(), arcs };
}
