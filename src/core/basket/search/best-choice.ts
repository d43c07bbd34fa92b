import type { OfferInBasket } from '../offers/offer-in-basket.ts';
import type { Unit } from '../unit.ts';
import { bestRun, gainsAhead, gainsBehind } from './best-run.ts';
import { componentsOf } from './components.ts';
import { type Layered, SKIP } from './layered.ts';
import { commonOrder, spreadAll } from './reading-order.ts';
import { type SweepResult, sweep, type Taken } from './sweep.ts';
import { tieWeights } from './ties.ts';
import { type Pricing, priceUnits } from './unit-prices.ts';

/** Which units which offers use, and how sure that is. */
export interface Choice {
  readonly taken: readonly Taken[];
  readonly saving: number;
  /** Nothing saves more. */
  readonly proved: boolean;
  /** The greatest saving still possible, less the one found; 0 where it is proved. */
  readonly bound: number;
}

/** Work that a search may do, in looks at an arc. The same everywhere, unlike time. */
export interface Budget {
  left: number;
}

/** About a second's worth. */
export const ORDINARY_BUDGET = 40_000_000;

const NO_CHOICE: Choice = { taken: [], saving: 0, proved: true, bound: 0 };
const WIDTHS = [8, 32, 256, 2_048, 16_384, 65_536];
const CLOSE = 1e-6;

/**
 * Pricing rules 4.2, policy `best`: the applications with the greatest saving, ties broken as written there. Exact
 * within its budget; beyond it the best found, with a bound on what is left.
 */
export function bestChoice(offers: readonly OfferInBasket[], budget: Budget): Choice {
  let all = NO_CHOICE;
  for (const component of componentsOf(offers)) {
    const choice = chooseIn(component, budget);
    all = {
      taken: [...all.taken, ...choice.taken],
      saving: all.saving + choice.saving,
      proved: all.proved && choice.proved,
      bound: all.bound + choice.bound,
    };
  }
  return all;
}

function chooseIn(offers: readonly OfferInBasket[], budget: Budget): Choice {
  const spend = (work: number): boolean => {
    budget.left -= work;
    return budget.left > 0;
  };
  const order = commonOrder(offers);
  const { layered, lost } = spreadAll(offers, order, spend);
  const useful = layered.filter((one) => gainsAhead(one, noPrices(order))[0]![0]! > 0);
  if (useful.length === 0) return { ...NO_CHOICE, proved: lost === 0, bound: lost };
  const read = new Set(useful.flatMap(({ layers }) => layers.map(({ unit }) => unit.position)));
  const units = order.filter(({ position }) => read.has(position));
  const greedy = biggestFirst(useful, units);
  const found = search(useful, units, offers, greedy, spend);
  return { ...found, proved: found.proved && lost === 0, bound: found.bound + lost };
}

/** By position. */
const noPrices = (units: readonly Unit[]): Float64Array =>
  new Float64Array(1 + Math.max(...units.map(({ position }) => position)));

function search(
  layered: readonly Layered[],
  units: readonly Unit[],
  offers: readonly OfferInBasket[],
  greedy: { saving: number; taken: readonly Taken[] },
  spend: (work: number) => boolean,
): Choice {
  const pricing = priced(layered, units, offers, greedy.saving, spend);
  let saving = greedy.saving;
  let taken = greedy.taken;
  let above = Math.floor(pricing.bound + CLOSE);
  let kept = layered;
  for (const width of WIDTHS) {
    if (above <= saving) break;
    kept = worthwhile(kept, pricing, saving + 1);
    const result = sweep({
      offers: kept,
      units,
      prices: pricing.prices,
      threshold: saving + 1,
      width,
      ties: null,
      spend,
    });
    if (result.saving !== null && result.saving > saving) [saving, taken] = [result.saving, result.taken];
    above = Math.min(above, Math.max(saving, Math.floor(result.dropped + CLOSE)));
    if (!spend(0)) break;
  }
  if (above > saving) return { taken, saving, proved: false, bound: above - saving };
  return {
    taken: settled(layered, units, offers, pricing, saving, taken, spend),
    saving,
    proved: true,
    bound: 0,
  };
}

/** Among all choices with the greatest saving the one that ties are broken for. */
function settled(
  layered: readonly Layered[],
  units: readonly Unit[],
  offers: readonly OfferInBasket[],
  pricing: Pricing,
  saving: number,
  taken: readonly Taken[],
  spend: (work: number) => boolean,
): readonly Taken[] {
  const kept = worthwhile(layered, pricing, saving);
  const ties = tieWeights(
    offers.map(({ machine, promotion, priority }) => ({ offer: machine.offer, promotion, priority })),
    units,
  );
  let best: SweepResult | null = null;
  for (const width of WIDTHS.slice(2)) {
    best = sweep({ offers: kept, units, prices: pricing.prices, threshold: saving, width, ties, spend });
    if (best.dropped < saving - CLOSE || !spend(0)) break;
  }
  return best && best.saving === saving ? best.taken : taken;
}

function priced(
  layered: readonly Layered[],
  units: readonly Unit[],
  offers: readonly OfferInBasket[],
  reached: number,
  spend: (work: number) => boolean,
): Pricing {
  if (layered.length === 1) {
    const prices = noPrices(units);
    return { prices, bound: gainsAhead(layered[0]!, prices)[0]![0]! };
  }
  const readers = new Map<number, string[]>();
  for (const { offer, layers } of layered) {
    const { kindOf } = offers.find(({ machine }) => machine.offer === offer)!;
    for (const { unit } of layers) {
      const names = readers.get(unit.position) ?? [];
      names.push(`${offer}:${kindOf(unit)}`);
      readers.set(unit.position, names);
    }
  }
  const classes = new Map<string, number>();
  const classOf = new Int32Array(noPrices(units).length).fill(-1);
  for (const { position, tag, base } of units) {
    const key = `${readers.get(position)!.join(' ')} ${tag} ${base}`;
    if (!classes.has(key)) classes.set(key, classes.size);
    classOf[position] = classes.get(key)!;
  }
  return priceUnits(layered, classOf, classes.size, reached, spend);
}

/** The offers without what no choice of such a saving can contain. */
function worthwhile(layered: readonly Layered[], pricing: Pricing, saving: number): Layered[] {
  return layered.map((one) => {
    const ahead = gainsAhead(one, pricing.prices);
    const behind = gainsBehind(one, pricing.prices);
    // What all the others can gain at most, with the prices of all units.
    const others = pricing.bound - ahead[0]![0]!;
    let arcs = 0;
    const layers = one.layers.map((layer, l) => {
      const price = pricing.prices[layer.unit.position]!;
      const kept: number[] = [];
      const from = new Int32Array(layer.from.length);
      for (let s = 0; s + 1 < layer.from.length; s++) {
        for (let a = layer.from[s]!; a < layer.from[s + 1]!; a++) {
          const worth =
            behind[l]![s]! +
            layer.gain[a]! -
            (layer.role[a] === SKIP ? 0 : price) +
            ahead[l + 1]![layer.to[a]!]!;
          if (worth + others >= saving - CLOSE) kept.push(a);
        }
        from[s + 1] = kept.length;
      }
      arcs += kept.length;
      return {
        unit: layer.unit,
        from,
        to: Int32Array.from(kept, (a) => layer.to[a]!),
        role: Int32Array.from(kept, (a) => layer.role[a]!),
        gain: Float64Array.from(kept, (a) => layer.gain[a]!),
        done: Float64Array.from(kept, (a) => layer.done[a]!),
        gifts: Float64Array.from(kept, (a) => layer.gifts[a]!),
      };
    });
    return { ...one, layers, arcs };
  });
}

/** One offer after the other, always the one that saves most on what is left: where every search begins. */
function biggestFirst(
  layered: readonly Layered[],
  units: readonly Unit[],
): { saving: number; taken: readonly Taken[] } {
  const prices = noPrices(units);
  const rest = new Set(layered);
  const worth = new Map(layered.map((one) => [one, gainsAhead(one, prices)[0]![0]!]));
  const taken: Taken[] = [];
  let saving = 0;
  while (rest.size > 0) {
    let best: Layered | null = null;
    for (const one of rest) if (!best || worth.get(one)! > worth.get(best)!) best = one;
    if (!best || worth.get(best)! <= 0) break;
    const gone = new Set<number>();
    bestRun(best, prices, gainsAhead(best, prices)).forEach((role, l) => {
      if (role === SKIP) return;
      const { unit } = best.layers[l]!;
      gone.add(unit.position);
      taken.push({ unit, offer: best.offer, role });
    });
    saving += worth.get(best)!;
    rest.delete(best);
    for (const position of gone) prices[position] = Number.POSITIVE_INFINITY;
    for (const one of rest)
      if (one.layers.some(({ unit }) => gone.has(unit.position)))
        worth.set(one, gainsAhead(one, prices)[0]![0]!);
  }
  return { saving, taken };
}
