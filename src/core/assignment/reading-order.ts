import type { Automaton } from './automaton.ts';
import { byFalling, type Contender } from './contender.ts';
import { arcsOf, type LayeredGraph } from './layered-graph.ts';
import { minimise } from './minimise.ts';
import { rememberingAutomaton } from './remembering.ts';
import type { Unit } from './unit.ts';
import { mostGain, unroll } from './unroll.ts';

/** Arcs that one automaton may have; one that needs more is left out of the search, and the answer not proved. */
const MOST_ARCS = 1_000_000;

/**
 * One order in which all these contenders read their units: by falling level of one of them, the one that suits most;
 * those that it does not suit have to remember what they took. Levels are asked of all units, whoever wants them.
 */
export function commonOrder(contenders: readonly Contender[]): readonly Unit[] {
  const units = new Map<number, Unit>();
  for (const { automaton } of contenders)
    for (const unit of automaton.members) units.set(unit.position, unit);
  const levels = [...new Set(contenders.map(({ levelOf }) => levelOf))];
  let best: readonly Unit[] = [];
  let least = Number.POSITIVE_INFINITY;
  for (const level of levels) {
    const ranks = [level, ...levels.filter((other) => other !== level)];
    const order = [...units.values()].sort(byLevels(ranks));
    const place = placesIn(order);
    const unsuited = contenders.filter(
      (one) =>
        !suits(
          one,
          one.automaton.members.toSorted((a, b) => place.get(a.position)! - place.get(b.position)!),
        ),
    );
    if (unsuited.length === 0) return order;
    const size = sizeOf(unsuited);
    if (size >= least) continue;
    best = order;
    least = size;
  }
  return best;
}

const byLevels =
  (levels: readonly Contender['levelOf'][]) =>
  (a: Unit, b: Unit): number => {
    for (const level of levels) if (level(a) !== level(b)) return level(b) - level(a);
    return a.position - b.position;
  };

/** How many arcs contenders have that are read in their own orders. */
function sizeOf(contenders: readonly Contender[]): number {
  return contenders.reduce((sum, { automaton, levelOf }) => {
    const own = unroll(automaton, automaton.members.toSorted(byFalling(levelOf)), levelOf, MOST_ARCS);
    return sum + (own ? arcsOf(own) : MOST_ARCS);
  }, 0);
}

export interface Unrolled {
  readonly layered: readonly LayeredGraph[];
  /** Their contenders, with the automata that were unrolled. */
  readonly used: readonly Contender[];
  /** What contenders could save that are too large. */
  readonly lost: number;
}

/** Machines with no more arcs than this are left as they are. */
const SMALL = 300;

/** Every contender unrolled over its units in the common order. */
export function unrollAll(
  contenders: readonly Contender[],
  order: readonly Unit[],
  spend: (work: number) => boolean,
): Unrolled {
  const place = placesIn(order);
  const layered: LayeredGraph[] = [];
  const used: Contender[] = [];
  let lost = 0;
  for (const contender of contenders) {
    const found = unrollIn(contender, contender.automaton.members, place, MOST_ARCS);
    spend(found ? 4 * arcsOf(found.layered) : MOST_ARCS);
    if (found) {
      layered.push(found.layered);
      used.push({ ...contender, automaton: found.automaton });
    } else lost += mostOf(contender, spend);
  }
  return { layered, used, lost };
}

/** Small enough in any order. */
const NO_MATTER = 20_000;

/**
 * A contender that is unrolled, over the same units in another order.
 * @returns null where it would be much larger.
 */
export const unrollAnew = (
  contender: Contender,
  atHand: LayeredGraph,
  order: readonly Unit[],
): LayeredGraph | null =>
  unrollIn(contender, atHand.units, placesIn(order), Math.max(NO_MATTER, 2 * arcsOf(atHand)))?.layered ??
  null;

type Places = ReadonlyMap<number, number>;

/** A contender over units in this order, with the automaton that could be unrolled: its own, or one that remembers. */
function unrollIn(
  contender: Contender,
  members: readonly Unit[],
  place: Places,
  most: number,
): { readonly layered: LayeredGraph; readonly automaton: Automaton } | null {
  const units = members.toSorted((a, b) => place.get(a.position)! - place.get(b.position)!);
  // Every state but the last ones has two arcs.
  const automaton = suits(contender, units) ? contender.automaton : rememberingAutomaton(contender, most / 2);
  const made = automaton && unroll(automaton, units, contender.levelOf, most);
  return made && { layered: arcsOf(made) > SMALL ? minimise(made) : made, automaton };
}

/** What a contender could gain by itself, in its own order; where that is too much, the most that its units can bring. */
function mostOf(contender: Contender, spend: (work: number) => boolean): number {
  const units = contender.automaton.members.toSorted(byFalling(contender.levelOf));
  const own = mostGain(contender.automaton, units, contender.levelOf, MOST_ARCS);
  spend(MOST_ARCS);
  return own ?? units.reduce((sum, unit) => sum + contender.mostOf(unit), 0);
}

const placesIn = (order: readonly Unit[]): Places =>
  new Map(order.map(({ position }, place) => [position, place]));

/** Whether a contender may read units in this order: it does not mind, or finds them by falling level. */
const suits = ({ automaton, levelOf }: Contender, read: readonly Unit[]): boolean =>
  !automaton.ordered || read.every((unit, i) => i === 0 || levelOf(read[i - 1]!) >= levelOf(unit));
