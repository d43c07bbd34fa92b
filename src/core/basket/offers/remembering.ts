import type { Unit } from '../unit.ts';
import { endOf, START, type Step, stepped } from './forced-run.ts';
import { type Ending, type OfferMachine, taking } from './machine.ts';
import type { OfferInBasket } from './offer-in-basket.ts';

/**
 * The same offer as a machine that does not mind in which order it reads: it remembers what it took and says only at
 * the end what that brings. For offers that start from the base among others that start from the tag, where the two
 * orders of prices disagree. Units of one kind and price are the same to it: a state is how many it took of each.
 * @param most how many states it may have.
 * @returns null where it would have more.
 */
export function rememberingMachine(offer: OfferInBasket, most: number): OfferMachine | null {
  const { machine, startOf } = offer;
  const classes = classesOf(offer);
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
  const known = new Map<number, ReadonlyMap<number, Step>>([[0, new Map([[machine.start, START]])]]);
  /** Where the offer itself can stand once it took just these, the last of them the last of its price or not. */
  const stepsOf = (taken: number, last: boolean): ReadonlyMap<number, Step> => {
    const key = last && taken > 0 ? taken + states : taken;
    const seen = known.get(key);
    if (seen) return seen;
    const at = weights.findLastIndex((weight) => taken >= weight);
    const unit = classes[at]![countIn(taken, at) - 1]!;
    const before = taken - weights[at]!;
    const previous = before === 0 ? null : classes[weights.findLastIndex((weight) => before >= weight)]![0]!;
    const lower = previous !== null && startOf(previous) !== startOf(unit);
    const steps = stepped(machine, stepsOf(before, lower), unit, last);
    known.set(key, steps);
    return steps;
  };
  const endings = new Map<number, Ending | null>();
  return {
    offer: machine.offer,
    members: machine.members,
    ordered: false,
    start: 0,
    takings: (state, unit) => [taking(state + weights[classOf.get(unit)!]!, 0, 0)],
    accepts(state) {
      let ending = endings.get(state);
      if (ending === undefined) {
        ending = endOf(machine, stepsOf(state, true));
        endings.set(state, ending);
      }
      return ending;
    },
  };
}

/** Units between which the offer makes no difference, the classes by falling price. */
function classesOf({ machine, startOf, kindOf }: OfferInBasket): Unit[][] {
  const classes = new Map<string, Unit[]>();
  for (const unit of machine.members) {
    const name = `${kindOf(unit)} ${unit.tag} ${unit.base}`;
    const own = classes.get(name);
    if (own) own.push(unit);
    else classes.set(name, [unit]);
  }
  return [...classes.values()].sort(([a], [b]) => startOf(b!) - startOf(a!));
}
