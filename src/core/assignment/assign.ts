import type { Taken } from './beam.ts';
import { type BeamResult, beamSearch } from './beam-search.ts';
import { gainsAhead } from './best-run.ts';
import { componentsOf } from './components.ts';
import type { Contender } from './contender.ts';
import { fix } from './fix.ts';
import { savingOf } from './gain-of.ts';
import { biggestFirst, type Found, noMultipliers } from './incumbent.ts';
import { arcsOf, type LayeredGraph } from './layered-graph.ts';
import { commonOrder, unrollAll, unrollAnew } from './reading-order.ts';
import { rearranged } from './rearrange.ts';
import { type Relaxation, relax } from './relax.ts';
import { type Share, split } from './split.ts';
import { tieWeights } from './tie-break.ts';
import type { Unit } from './unit.ts';

/** Which units which contenders use, and how sure that is. */
export interface Choice<U extends Unit = Unit> {
  readonly taken: readonly Taken<U>[];
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

/** For so many units and so many contenders a proof is owed (pricing rules 4.2): it may take longer. */
const OWED = { units: 40, contenders: 10, budget: 100_000_000 };

/** What a search may do where nobody says otherwise. */
export const budgetFor = (units: number, contenders: number): number =>
  units <= OWED.units && contenders <= OWED.contenders ? OWED.budget : ORDINARY_BUDGET;

/** What was proved of contenders that concern each other, by their numbers: asked again, it is known. */
export type Memory = Map<string, Choice>;

const NO_CHOICE: Choice = { taken: [], saving: 0, proved: true, bound: 0 };
const WIDTHS = [8, 32, 256, 2_048, 16_384, 65_536];
const TIE_WIDTHS = [256, 2_048, 16_384];
/** How often what is left after a relaxation is relaxed again before it is searched. */
const RELAXATIONS = 4;
const CLOSE = 1e-6;
/** So many combinations of states are all looked at; multipliers would cost more than they spare. */
const FEW = 200;

interface Search {
  readonly contenders: readonly Contender[];
  readonly spend: (work: number) => boolean;
}

/**
 * Which units each contender takes, no unit two of them, so that they gain most together (pricing rules 4.2, policy
 * `best`); ties are broken as `tie-break.ts` says. Exact within its budget; beyond it the best found, with a bound on
 * what is left. The passes: unroll, minimise, relax, fix, beam search, break ties (docs/assignment.md).
 * @param memory of questions over the same units, in which a contender has the same number each time
 */
export function assign<U extends Unit>(
  contenders: readonly Contender<U>[],
  budget: Budget,
  memory: Memory = new Map(),
): Choice<U> {
  // Inside, a unit is its position: whatever else it is was told by the contenders, and is handed back as it came.
  const own = contenders as unknown as readonly Contender[];
  const choice = componentsOf(own).reduce(
    (all, part) => both(all, remembered(part, budget, memory)),
    NO_CHOICE,
  );
  return choice as Choice<U>;
}

function remembered(part: readonly Contender[], budget: Budget, memory: Memory): Choice {
  const key = part.map(({ automaton }) => automaton.contender).join();
  const known = memory.get(key);
  if (known) return known;
  const choice = chooseIn(part, budget);
  if (choice.proved) memory.set(key, choice);
  return choice;
}

/** Two choices that do not concern each other. */
const both = (a: Choice, b: Choice): Choice => ({
  taken: [...a.taken, ...b.taken],
  saving: a.saving + b.saving,
  proved: a.proved && b.proved,
  bound: a.bound + b.bound,
});

function chooseIn(contenders: readonly Contender[], budget: Budget): Choice {
  const spend = (work: number): boolean => {
    budget.left -= work;
    return budget.left > 0;
  };
  const order = commonOrder(contenders);
  const { layered, used, lost } = unrollAll(contenders, order, spend);
  const useful = layered.filter((one) => gainsAhead(one, noMultipliers(order))[0]! > 0);
  const search = { contenders: used, spend };
  let all: Choice = { ...NO_CHOICE, proved: lost === 0, bound: lost };
  for (const share of split(useful, order)) {
    if (combinations(share) <= FEW) {
      all = both(all, tried(share, search));
      continue;
    }
    const better = readAnew(share, search);
    const relaxation = relaxed(better, search);
    const solved = solve(better, relaxation, search, 1);
    all = both(all, proven(better, relaxation, solved, search));
  }
  return all;
}

/** The share in an order of reading in which fewer contenders are open at once. */
function readAnew(share: Share, { contenders, spend }: Search): Share {
  const byNumber = new Map(contenders.map((contender) => [contender.automaton.contender, contender]));
  const units = rearranged(share.contenders, share.units, byNumber, spend);
  if (units.every((unit, i) => unit === share.units[i])) return share;
  const layered: LayeredGraph[] = [];
  for (const one of share.contenders) {
    const anew = unrollAnew(byNumber.get(one.contender)!, one, units);
    if (!anew) return share;
    spend(4 * arcsOf(anew));
    layered.push(anew);
  }
  return { contenders: layered, units };
}

/** How many combinations of states there can be between two units. */
function combinations({ contenders }: Share): number {
  let product = 1;
  for (const { offset } of contenders) {
    let most = 1;
    for (let l = 1; l < offset.length; l++) most = Math.max(most, offset[l]! - offset[l - 1]!);
    product *= most;
  }
  return product;
}

/** Looks at everything: the best choice with its ties broken, in one search. */
function tried({ contenders, units }: Share, search: Search): Choice {
  const greedy = biggestFirst(contenders, units);
  const result = beamSearch({
    contenders,
    units,
    multipliers: noMultipliers(units),
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

const weightsOf = ({ contenders }: Search, units: readonly Unit[]) =>
  tieWeights(
    contenders.map(({ automaton, name, rank }) => ({ contender: automaton.contender, name, rank })),
    units,
  );

function proven(
  share: Share,
  relaxation: Relaxation,
  { saving, taken, above }: Solved,
  search: Search,
): Choice {
  if (above > saving) return { taken, saving, proved: false, bound: above - saving };
  return { taken: settled(share, relaxation, { saving, taken }, search), saving, proved: true, bound: 0 };
}

interface Solved extends Found {
  /** Nothing saves more than this. */
  readonly above: number;
}

/** The greatest saving in a share: what multipliers rule out goes, what falls apart is solved apart, the rest searched. */
function solve(share: Share, relaxation: Relaxation, search: Search, depth: number): Solved {
  const { found } = relaxation;
  const above = Math.floor(relaxation.bound + CLOSE);
  if (above <= found.saving) return { ...found, above: found.saving };
  const kept = fix(share.contenders, relaxation, found.saving + 1);
  const parts = split(kept, share.units);
  const shrunk = parts.length !== 1 || sizeOf(parts[0]!.contenders) < 0.7 * sizeOf(share.contenders);
  if (!shrunk || depth >= RELAXATIONS) return searched(share, relaxation, search);
  const solved = parts.map((part) => solve(part, relaxed(part, search), search, depth + 1));
  const together = {
    saving: solved.reduce((sum, { saving }) => sum + saving, 0),
    taken: solved.flatMap(({ taken }) => taken),
  };
  const best = together.saving > found.saving ? together : found;
  const reach = solved.reduce((sum, part) => sum + part.above, 0);
  return { ...best, above: Math.max(best.saving, Math.min(above, reach)) };
}

const sizeOf = (contenders: readonly LayeredGraph[]): number =>
  contenders.reduce((sum, contender) => sum + arcsOf(contender), 0);

function searched(share: Share, before: Relaxation, search: Search): Solved {
  const { spend } = search;
  const first = fix(share.contenders, before, before.found.saving + 1);
  const atHand = { contenders: first, units: readBy(first, share.units) };
  const anew = readAnew(atHand, search);
  // What was ruled out so far comes back with the new order, and is ruled out by multipliers of its own.
  const relaxation = anew === atHand ? before : relaxed(anew, search);
  const { units } = anew;
  let kept = anew.contenders;
  let best: Found = relaxation.found.saving > before.found.saving ? relaxation.found : before.found;
  let above = Math.max(best.saving, Math.floor(Math.min(before.bound, relaxation.bound) + CLOSE));
  for (const width of WIDTHS) {
    kept = fix(kept, relaxation, best.saving + 1);
    if (above <= best.saving || kept.length === 0) return { ...best, above: best.saving };
    const result = beamSearch({
      contenders: kept,
      units: readBy(kept, units),
      multipliers: relaxation.multipliers,
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
function settled(share: Share, relaxation: Relaxation, found: Found, search: Search): readonly Taken[] {
  const parts = split(fix(share.contenders, relaxation, found.saving), share.units);
  // An automaton that does only part of what it should may do another part in another order.
  const whole = parts.reduce((sum, part) => sum + targetIn(part, found).saving, 0);
  if (whole !== found.saving) return found.taken;
  const taken = parts.map((part) => settledPart(part, relaxation, targetIn(part, found), search));
  return taken.every((one) => one !== null) ? taken.flat() : found.taken;
}

/** The part of a choice that is made by the contenders of a share. */
function targetIn({ contenders }: Share, found: Found): Found {
  const own = new Set(contenders.map(({ contender }) => contender));
  const taken = found.taken.filter(({ contender }) => own.has(contender));
  return { taken, saving: savingOf(contenders, taken) };
}

/** Null: there was no room to look at all that could be. */
function settledPart(
  atHand: Share,
  before: Relaxation,
  found: Found,
  search: Search,
): readonly Taken[] | null {
  const own = new Set(atHand.contenders.map(({ contender }) => contender));
  const taken = found.taken.filter(({ contender }) => own.has(contender));
  const target = { taken, saving: savingOf(atHand.contenders, taken) };
  const large = combinations(atHand) > FEW * FEW;
  const part = large ? readAnew(atHand, search) : atHand;
  const relaxation = large ? relaxed(part, search, target) : before;
  const kept = large ? fix(part.contenders, relaxation, target.saving) : part.contenders;
  let best: BeamResult | null = null;
  for (const width of TIE_WIDTHS) {
    best = beamSearch({
      contenders: kept,
      units: readBy(kept, part.units),
      multipliers: relaxation.multipliers,
      threshold: target.saving,
      width,
      ties: weightsOf(search, part.units),
      spend: search.spend,
    });
    if (best.dropped < target.saving - CLOSE || !search.spend(0)) break;
  }
  return best?.saving === target.saving ? best.taken : null;
}

function readBy(contenders: readonly LayeredGraph[], units: readonly Unit[]): readonly Unit[] {
  const read = new Set(contenders.flatMap((contender) => contender.units.map(({ position }) => position)));
  return units.filter(({ position }) => read.has(position));
}

/** @param known a choice that is known to be possible; absent: the biggest saving first. */
function relaxed(
  { contenders: layered, units }: Share,
  { contenders, spend }: Search,
  known?: Found,
): Relaxation {
  const greedy = known ?? biggestFirst(layered, units);
  const multipliers = noMultipliers(units);
  if (layered.length === 1)
    return { multipliers, bound: gainsAhead(layered[0]!, multipliers)[0]!, found: greedy };
  const readers = new Map<number, string[]>();
  const byNumber = new Map(contenders.map((contender) => [contender.automaton.contender, contender]));
  for (const { contender, units: own } of layered) {
    const { kindOf } = byNumber.get(contender)!;
    for (const unit of own) {
      const names = readers.get(unit.position) ?? [];
      names.push(`${contender}:${kindOf(unit)}`);
      readers.set(unit.position, names);
    }
  }
  const classes = new Map<string, number>();
  const classOf = new Int32Array(multipliers.length).fill(-1);
  for (const { position } of units) {
    const key = readers.get(position)!.join(' ');
    if (!classes.has(key)) classes.set(key, classes.size);
    classOf[position] = classes.get(key)!;
  }
  return relax(layered, units, classOf, classes.size, greedy, spend);
}
