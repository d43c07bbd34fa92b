import type { OfferInBasket } from '../offers/offer-in-basket.ts';
import type { Unit } from '../unit.ts';
import { gainsAhead } from './best-run.ts';
import { worthwhile } from './compact.ts';
import { componentsOf } from './components.ts';
import type { Taken } from './front.ts';
import { biggestFirst, type Found, noPrices } from './greedy.ts';
import { arcsOf, type Layered } from './layered.ts';
import { commonOrder, spreadAll, spreadAnew } from './reading-order.ts';
import { rearranged } from './rearrange.ts';
import { savingOf } from './saving-of.ts';
import { type Share, split } from './split.ts';
import { type SweepResult, sweep } from './sweep.ts';
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
const ORDINARY_BUDGET = 8_000_000;

/** Proof is owed for a basket of so many units and so many offers that touch it (pricing rules 4.2): it may take longer. */
const OWED = { units: 40, offers: 10, budget: 60_000_000 };

/** What a search may do where nobody says otherwise. */
export const budgetFor = (units: number, offers: number): number =>
  units <= OWED.units && offers <= OWED.offers ? OWED.budget : ORDINARY_BUDGET;

const NO_CHOICE: Choice = { taken: [], saving: 0, proved: true, bound: 0 };
const WIDTHS = [8, 32, 256, 2_048, 16_384, 65_536];
const TIE_WIDTHS = [256, 2_048, 16_384];
/** How often what is left after a pricing is priced again before it is swept. */
const PRICINGS = 4;
const CLOSE = 1e-6;
/** So many combinations of states are all looked at; prices would cost more than they spare. */
const FEW = 200;

interface Search {
  readonly offers: readonly OfferInBasket[];
  readonly spend: (work: number) => boolean;
}

/**
 * Pricing rules 4.2, policy `best`: the applications with the greatest saving, ties broken as written there. Exact
 * within its budget; beyond it the best found, with a bound on what is left.
 */
export function bestChoice(offers: readonly OfferInBasket[], budget: Budget): Choice {
  return componentsOf(offers).reduce((all, part) => both(all, chooseIn(part, budget)), NO_CHOICE);
}

/** Two choices that do not concern each other. */
const both = (a: Choice, b: Choice): Choice => ({
  taken: [...a.taken, ...b.taken],
  saving: a.saving + b.saving,
  proved: a.proved && b.proved,
  bound: a.bound + b.bound,
});

function chooseIn(offers: readonly OfferInBasket[], budget: Budget): Choice {
  const spend = (work: number): boolean => {
    budget.left -= work;
    return budget.left > 0;
  };
  const order = commonOrder(offers);
  const { layered, used, lost } = spreadAll(offers, order, spend);
  const useful = layered.filter((one) => gainsAhead(one, noPrices(order))[0]! > 0);
  const search = { offers: used, spend };
  let all: Choice = { ...NO_CHOICE, proved: lost === 0, bound: lost };
  for (const share of split(useful, order)) {
    if (combinations(share) <= FEW) {
      all = both(all, tried(share, search));
      continue;
    }
    const better = readAnew(share, search);
    const pricing = priced(better, search);
    const solved = solve(better, pricing, search, 1);
    all = both(all, proven(better, pricing, solved, search));
  }
  return all;
}

/** The share in an order of reading in which fewer offers are open at once. */
function readAnew(share: Share, { offers, spend }: Search): Share {
  const byNumber = new Map(offers.map((offer) => [offer.machine.offer, offer]));
  const units = rearranged(share.offers, share.units, byNumber, spend);
  if (units.every((unit, i) => unit === share.units[i])) return share;
  const layered: Layered[] = [];
  for (const one of share.offers) {
    const anew = spreadAnew(byNumber.get(one.offer)!, one, units);
    if (!anew) return share;
    spend(4 * arcsOf(anew));
    layered.push(anew);
  }
  return { offers: layered, units };
}

/** How many combinations of states there can be between two units. */
function combinations({ offers }: Share): number {
  let product = 1;
  for (const { offset } of offers) {
    let most = 1;
    for (let l = 1; l < offset.length; l++) most = Math.max(most, offset[l]! - offset[l - 1]!);
    product *= most;
  }
  return product;
}

/** Looks at everything: the best choice with its ties broken, in one sweep. */
function tried({ offers, units }: Share, search: Search): Choice {
  const greedy = biggestFirst(offers, units);
  const result = sweep({
    offers,
    units,
    prices: noPrices(units),
    threshold: greedy.saving,
    width: Number.POSITIVE_INFINITY,
    ties: weightsOf(search, units),
    spend: search.spend,
  });
  if (result.saving === null) {
    const bound = Math.max(0, Math.floor(result.dropped + CLOSE) - greedy.saving);
    return { ...greedy, proved: false, bound };
  }
  return { taken: result.taken, saving: result.saving, proved: true, bound: 0 };
}

const weightsOf = ({ offers }: Search, units: readonly Unit[]) =>
  tieWeights(
    offers.map(({ machine, promotion, priority }) => ({ offer: machine.offer, promotion, priority })),
    units,
  );

function proven(share: Share, pricing: Pricing, { saving, taken, above }: Solved, search: Search): Choice {
  if (above > saving) return { taken, saving, proved: false, bound: above - saving };
  return { taken: settled(share, pricing, { saving, taken }, search), saving, proved: true, bound: 0 };
}

interface Solved extends Found {
  /** Nothing saves more than this. */
  readonly above: number;
}

/** The greatest saving in a share: what prices rule out is left out, what falls apart is solved apart, the rest is swept. */
function solve(share: Share, pricing: Pricing, search: Search, depth: number): Solved {
  const { found } = pricing;
  const above = Math.floor(pricing.bound + CLOSE);
  if (above <= found.saving) return { ...found, above: found.saving };
  const kept = worthwhile(share.offers, pricing, found.saving + 1);
  const parts = split(kept, share.units);
  const shrunk = parts.length !== 1 || sizeOf(parts[0]!.offers) < 0.7 * sizeOf(share.offers);
  if (!shrunk || depth >= PRICINGS) return swept(share, pricing, search);
  const solved = parts.map((part) => solve(part, priced(part, search), search, depth + 1));
  const together = {
    saving: solved.reduce((sum, { saving }) => sum + saving, 0),
    taken: solved.flatMap(({ taken }) => taken),
  };
  const best = together.saving > found.saving ? together : found;
  const reach = solved.reduce((sum, part) => sum + part.above, 0);
  return { ...best, above: Math.max(best.saving, Math.min(above, reach)) };
}

const sizeOf = (offers: readonly Layered[]): number => offers.reduce((sum, offer) => sum + arcsOf(offer), 0);

function swept(share: Share, before: Pricing, search: Search): Solved {
  const { spend } = search;
  const first = worthwhile(share.offers, before, before.found.saving + 1);
  const atHand = { offers: first, units: readBy(first, share.units) };
  const anew = readAnew(atHand, search);
  // What was ruled out by the prices so far comes back with the new order, and is ruled out by prices of its own.
  const pricing = anew === atHand ? before : priced(anew, search);
  const { units } = anew;
  let kept = anew.offers;
  let best: Found = pricing.found.saving > before.found.saving ? pricing.found : before.found;
  let above = Math.max(best.saving, Math.floor(Math.min(before.bound, pricing.bound) + CLOSE));
  for (const width of WIDTHS) {
    kept = worthwhile(kept, pricing, best.saving + 1);
    if (above <= best.saving || kept.length === 0) return { ...best, above: best.saving };
    const result = sweep({
      offers: kept,
      units: readBy(kept, units),
      prices: pricing.prices,
      threshold: best.saving + 1,
      width,
      ties: null,
      spend,
    });
    if (result.saving !== null && result.saving > best.saving)
      best = { saving: result.saving, taken: result.taken };
    above = Math.min(above, Math.max(best.saving, Math.floor(result.dropped + CLOSE)));
    if (!spend(0)) break;
  }
  return { ...best, above };
}

/**
 * Among all choices with the greatest saving the one that ties are broken for. What falls apart is settled apart: each
 * part then has to save just what it saves in the choice that was found.
 */
function settled(share: Share, pricing: Pricing, found: Found, search: Search): readonly Taken[] {
  const parts = split(worthwhile(share.offers, pricing, found.saving), share.units);
  // A machine that does only part of what it should may do another part in another order.
  const whole = parts.reduce((sum, part) => sum + targetIn(part, found).saving, 0);
  if (whole !== found.saving) return found.taken;
  const taken = parts.map((part) => settledPart(part, pricing, targetIn(part, found), search));
  return taken.every((one) => one !== null) ? taken.flat() : found.taken;
}

/** The part of a choice that is made by the offers of a share. */
function targetIn({ offers }: Share, found: Found): Found {
  const own = new Set(offers.map(({ offer }) => offer));
  const taken = found.taken.filter(({ offer }) => own.has(offer));
  return { taken, saving: savingOf(offers, taken) };
}

/** Null: there was no room to look at all that could be. */
function settledPart(atHand: Share, before: Pricing, found: Found, search: Search): readonly Taken[] | null {
  const own = new Set(atHand.offers.map(({ offer }) => offer));
  const taken = found.taken.filter(({ offer }) => own.has(offer));
  const target = { taken, saving: savingOf(atHand.offers, taken) };
  const large = combinations(atHand) > FEW * FEW;
  const part = large ? readAnew(atHand, search) : atHand;
  const pricing = large ? priced(part, search, target) : before;
  const kept = large ? worthwhile(part.offers, pricing, target.saving) : part.offers;
  let best: SweepResult | null = null;
  for (const width of TIE_WIDTHS) {
    best = sweep({
      offers: kept,
      units: readBy(kept, part.units),
      prices: pricing.prices,
      threshold: target.saving,
      width,
      ties: weightsOf(search, part.units),
      spend: search.spend,
    });
    if (best.dropped < target.saving - CLOSE || !search.spend(0)) break;
  }
  return best?.saving === target.saving ? best.taken : null;
}

function readBy(offers: readonly Layered[], units: readonly Unit[]): readonly Unit[] {
  const read = new Set(offers.flatMap((offer) => offer.units.map(({ position }) => position)));
  return units.filter(({ position }) => read.has(position));
}

/** @param known a choice that is known to be possible; absent: the biggest saving first. */
function priced({ offers: layered, units }: Share, { offers, spend }: Search, known?: Found): Pricing {
  const greedy = known ?? biggestFirst(layered, units);
  const prices = noPrices(units);
  if (layered.length === 1) return { prices, bound: gainsAhead(layered[0]!, prices)[0]!, found: greedy };
  const readers = new Map<number, string[]>();
  const byNumber = new Map(offers.map((offer) => [offer.machine.offer, offer]));
  for (const { offer, units: own } of layered) {
    const { kindOf } = byNumber.get(offer)!;
    for (const unit of own) {
      const names = readers.get(unit.position) ?? [];
      names.push(`${offer}:${kindOf(unit)}`);
      readers.set(unit.position, names);
    }
  }
  const classes = new Map<string, number>();
  const classOf = new Int32Array(prices.length).fill(-1);
  for (const { position, tag, base } of units) {
    const key = `${readers.get(position)!.join(' ')} ${tag} ${base}`;
    if (!classes.has(key)) classes.set(key, classes.size);
    classOf[position] = classes.get(key)!;
  }
  return priceUnits(layered, units, classOf, classes.size, greedy, spend);
}
