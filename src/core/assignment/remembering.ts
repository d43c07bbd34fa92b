import { type Automaton, type Ending, NOTHING, type Taking, taking } from './automaton.ts';
import type { Contender } from './contender.ts';
import type { Unit } from './unit.ts';

/** In how many states, all together, the contender may stand that is remembered for. */
const MOST_STANDS = 3_000_000;

/**
 * The same contender as an automaton that does not mind in which order it reads: it remembers what it took and says
 * only at the end what that brings. For one that reads by other levels than the others, where the two orders disagree.
 * Units of one kind are the same to it: a state is how many it took of each.
 * @param most how many states it may have.
 * @returns null where it would have more, or where what it remembers would be too much.
 */
export function rememberingAutomaton(contender: Contender, most: number): Automaton | null {
  const { automaton, levelOf } = contender;
  const classes = classesOf(contender);
  const weights: number[] = [];
  let states = 1;
  for (const units of classes) {
    weights.push(states);
    states *= 1 + units.length;
  }
  if (states > most) return null;
  const classOf = new Map(classes.flatMap((units, i) => units.map((unit) => [unit, i] as const)));
  const countIn = (state: number, i: number) =>
    Math.floor((state % (weights[i + 1] ?? states)) / weights[i]!);
  const known = new Map<number, Stands>([[0, { states: [automaton.start], best: [NOTHING] }]]);
  const ways = classes.map(() => new Map<number, readonly Taking[]>());
  const takingsOf = (state: number, at: number): readonly Taking[] => {
    let found = ways[at]!.get(state);
    if (!found) {
      found = automaton.takings(state, classes[at]![0]!);
      ways[at]!.set(state, found);
    }
    return found;
  };
  let stood = 0;
  const begins = classes.map((_, i) => classes.slice(0, i).reduce((sum, { length }) => sum + length, 0));
  const mayEnd = automaton.prospects?.(classes.flat());
  /** Where the contender itself can stand once it took just these, the last of them the last of its level or not. */
  const standsOf = (taken: number, last: boolean): Stands => {
    const key = last && taken > 0 ? taken + states : taken;
    const seen = known.get(key);
    if (seen) return seen;
    const at = weights.findLastIndex((weight) => taken >= weight);
    const unit = classes[at]![countIn(taken, at) - 1]!;
    const before = taken - weights[at]!;
    const previous = before === 0 ? null : classes[weights.findLastIndex((weight) => before >= weight)]![0]!;
    const lower = previous !== null && levelOf(previous) !== levelOf(unit);
    const read = begins[at]! + countIn(taken, at);
    const stands = afterTaking(
      standsOf(before, lower),
      (state) => takingsOf(state, at),
      (state) => (automaton.holds?.(state, last) ?? true) && (mayEnd?.(state, read) ?? true),
    );
    known.set(key, stands);
    stood += stands.states.length;
    return stands;
  };
  const endings: (Ending | null)[] = [];
  for (let taken = 0; taken < states; taken++) {
    endings.push(bestEnd(automaton, standsOf(taken, true)));
    if (stood > MOST_STANDS) return null;
  }
  return {
    contender: automaton.contender,
    members: automaton.members,
    ordered: false,
    start: 0,
    takings: (state, unit) => [taking(state + weights[classOf.get(unit)!]!, 0, 0)],
    accepts: (state) => endings[state]!,
  };
}

/** States in which a contender can stand, each with the most that it can have brought there. */
interface Stands {
  readonly states: readonly number[];
  readonly best: readonly Ending[];
}

function afterTaking(
  { states, best }: Stands,
  takings: (state: number) => readonly Taking[],
  holds: (state: number) => boolean,
): Stands {
  const place = new Map<number, number>();
  const after: number[] = [];
  const reached: Ending[] = [];
  for (let i = 0; i < states.length; i++)
    for (const way of takings(states[i]!)) {
      const at = place.get(way.to);
      if (at === undefined) {
        if (!holds(way.to)) continue;
        place.set(way.to, after.push(way.to) - 1);
        reached.push(sumOf(best[i]!, way));
      } else if (isBetter(best[i]!, way, reached[at]!)) reached[at] = sumOf(best[i]!, way);
    }
  return { states: after, best: reached };
}

function bestEnd(automaton: Automaton, { states, best }: Stands): Ending | null {
  let found: Ending | null = null;
  for (let i = 0; i < states.length; i++) {
    const ending = automaton.accepts(states[i]!);
    if (ending && (!found || isBetter(best[i]!, ending, found))) found = sumOf(best[i]!, ending);
  }
  return found;
}

const sumOf = (a: Ending, b: Ending): Ending => ({
  gain: a.gain + b.gain,
  gifts: a.gifts + b.gifts,
  done: a.done + b.done,
});

/** Whether two together bring more than a third; as much with fewer gifts, then fewer applications. */
function isBetter(a: Ending, b: Ending, than: Ending): boolean {
  const gain = a.gain + b.gain - than.gain;
  if (gain !== 0) return gain > 0;
  const gifts = a.gifts + b.gifts - than.gifts;
  return gifts !== 0 ? gifts < 0 : a.done + b.done < than.done;
}

/** Units between which the contender makes no difference, the classes by falling level. */
function classesOf({ automaton, levelOf, kindOf }: Contender): Unit[][] {
  const classes = new Map<string, Unit[]>();
  for (const unit of automaton.members) {
    const name = kindOf(unit);
    const own = classes.get(name);
    if (own) own.push(unit);
    else classes.set(name, [unit]);
  }
  return [...classes.values()].sort(([a], [b]) => levelOf(b!) - levelOf(a!));
}
