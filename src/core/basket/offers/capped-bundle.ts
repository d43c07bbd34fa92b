import type { StartingPrice, Unit } from '../unit.ts';
import { type Bundler, bundler, enoughOf, type Partition, partitionOf } from './bundle-partition.ts';
import { countingMachine } from './counting-machine.ts';
import { type Limit, NOTHING, type OfferMachine, type Taking, taking, unordered } from './machine.ts';
import { byFalling } from './offer-in-basket.ts';
import { partsMachine } from './parts.ts';

/**
 * A bundle whose amount off may be more than its units cost: it takes that at most, so that what units bring is no sum
 * over them, and it matters which go together. By itself it only counts its units; what they bring is asked of it.
 */
export interface CappedMachine extends OfferMachine {
  /** Which of these units go together, by their places, and what that brings against their tags. */
  partition(used: readonly Unit[]): Partition;
  /** So many of these units, those that cost most. */
  dearest(units: readonly Unit[], count: number): readonly Unit[];
  /** The most units that it may use in one basket. */
  readonly most: number;
  /** The same offer as a machine like any other; null where that would be far too large. */
  readonly exact: OfferMachine | null;
  /** What can stand for it, the better first: machines that do part of what it does. */
  readonly narrowed: readonly OfferMachine[];
  /**
   * A machine that never saves less than it does on the same units: every unit counts as it costs, but no less than a
   * floor, and no more than what then is left of the amount for the dearest of a bundle.
   * @param share what the floor is of an equal share of the amount, from 0 to 1.
   */
  relaxed(share: number): OfferMachine;
  /**
   * One machine for every choice of prices that a bundle can have: what the units of one bring is a sum. Together they
   * do all that it does, but for its limit.
   * @param number the first number of theirs.
   * @returns null where there are too many.
   */
  patterns(number: number): readonly OfferMachine[] | null;
}

/** So many bundles the narrowed machines have open at once. */
const FEW_OPEN = [3, 2, 1];

export const isCapped = (machine: OfferMachine): machine is CappedMachine => 'partition' in machine;

/** What can be searched with in the place of a machine, the better first; the first does all that the machine does. */
export const standInsFor = (machine: OfferMachine): readonly OfferMachine[] =>
  isCapped(machine) ? [...(machine.exact ? [machine.exact] : []), ...machine.narrowed] : [machine];

export function cappedMachine(
  number: number,
  take: number,
  amount: number,
  members: readonly Unit[],
  start: StartingPrice,
  limit: Limit,
): CappedMachine {
  const all: Capped = { number, take, amount, members, start, limit };
  const lost = (unit: Unit) => unit.tag - start(unit);
  const sets = bundler(members.map(start), take, amount, Math.min(members.length, limit * take));
  return {
    ...countingMachine(number, take, members, [{ unit: lost, whole: 0 }], limit),
    partition(used) {
      const { worth, groups } = partitionOf(used.map(start), take, amount);
      return { worth: worth + used.reduce((sum, unit) => sum + lost(unit), 0), groups };
    },
    dearest: (units, count) => units.toSorted(byFalling(start)).slice(0, count),
    most: limit * take,
    exact: sets && settingMachine(all, sets),
    narrowed: FEW_OPEN.map((open) => openMachine(all, open)),
    patterns: (first) => patternMachines(first, all),
    // Where one unit of a bundle counts less than it costs, it and the floor of the others are the amount at least.
    relaxed(share) {
      const floor = Math.floor((share * amount) / take);
      const ceiling = amount - (take - 1) * floor;
      const unit = (one: Unit) => lost(one) + Math.min(Math.max(start(one), floor), ceiling);
      const way = share === 1 ? { unit: lost, whole: amount } : { unit, whole: 0 };
      return countingMachine(number, take, members, [way], limit);
    },
  };
}

interface Capped {
  readonly number: number;
  readonly take: number;
  readonly amount: number;
  readonly members: readonly Unit[];
  readonly start: StartingPrice;
  readonly limit: Limit;
}

/** So many choices of prices are told apart. */
const MOST_PATTERNS = 200;

function patternMachines(
  first: number,
  { take, amount, members, start }: Capped,
): readonly OfferMachine[] | null {
  const enough = enoughOf(members.map(start), take, amount);
  const priceOf = (unit: Unit) => Math.min(start(unit), enough);
  const prices = [...new Set(members.map(priceOf))].sort((a, b) => b - a);
  const choices = choicesOf(prices, take);
  if (!choices) return null;
  return choices.flatMap((choice, i) => {
    const parts = [...new Set(choice)].map((price) => ({
      quantity: choice.filter((one) => one === price).length,
      fits: (unit: Unit) => priceOf(unit) === price,
      gain: (unit: Unit) => unit.tag - start(unit),
    }));
    const own = members.filter((unit) => choice.includes(priceOf(unit)));
    const enoughUnits = parts.every(({ quantity, fits }) => own.filter(fits).length >= quantity);
    const whole = Math.min(
      amount,
      choice.reduce((sum, price) => sum + price, 0),
    );
    return enoughUnits ? [partsMachine(first + i, { parts, whole }, own, Number.POSITIVE_INFINITY)] : [];
  });
}

/** All choices of so many prices, one of them as often as one likes; null: too many. */
function choicesOf(prices: readonly number[], take: number): readonly (readonly number[])[] | null {
  let choices: (readonly number[])[] = [[]];
  for (let i = 0; i < take; i++) {
    choices = choices.flatMap((choice) =>
      prices.filter((price) => price <= (choice.at(-1) ?? price)).map((price) => [...choice, price]),
    );
    if (choices.length > MOST_PATTERNS) return null;
  }
  return choices;
}

/** A state is the set of units taken, told apart by their prices; only at the end it is seen what they bring. */
function settingMachine(
  { number, take, members, start, limit }: Capped,
  { prices, weights, worth }: Bundler,
): OfferMachine {
  const numberOf = new Map(prices.map((price, i) => [price, i]));
  const sizes = new Map<number, number>([[0, 0]]);
  return unordered(number, members, {
    takings(state, unit) {
      const size = sizes.get(state)!;
      if (size >= limit * take) return [];
      const to = state + weights[numberOf.get(Math.min(start(unit), prices[0]!))!]!;
      sizes.set(to, size + 1);
      return [taking(to, 0, unit.tag - start(unit))];
    },
    accepts(state) {
      const size = sizes.get(state)!;
      if (size % take > 0) return null;
      return size === 0 ? NOTHING : { gain: worth(state), gifts: 0, done: size / take };
    },
  });
}

/** A state is every open bundle with its units so far and what they can bear, up to the amount; only so many are open. */
function openMachine(
  { number, take, amount, members, start, limit }: Capped,
  mostOpen: number,
): OfferMachine {
  type Open = readonly (readonly [fill: number, sum: number])[];
  const known = new Map<string, number>([['0;', 0]]);
  const states: { made: number; open: Open }[] = [{ made: 0, open: [] }];
  const numberOf = (made: number, open: Open): number => {
    const sorted = open.toSorted((a, b) => a[0] - b[0] || a[1] - b[1]);
    const key = `${made};${sorted.join(' ')}`;
    const found = known.get(key);
    if (found !== undefined) return found;
    known.set(key, states.length);
    states.push({ made, open: sorted });
    return states.length - 1;
  };
  const takingsOf = (state: number, unit: Unit): Taking[] => {
    const { made, open } = states[state]!;
    const [price, lost] = [start(unit), unit.tag - start(unit)];
    const into = (at: number | null) => {
      const [fill, sum] = at === null ? [0, 0] : open[at]!;
      const rest = at === null ? open : open.filter((_, i) => i !== at);
      const bearable = Math.min(amount, sum + price);
      if (fill + 1 === take)
        return taking(numberOf(Number.isFinite(limit) ? made + 1 : 0, rest), 0, lost + bearable, 1);
      return taking(numberOf(made, [...rest, [fill + 1, bearable]]), 0, lost);
    };
    const alike = new Set<string>();
    const distinct = open.flatMap((bundle, i) => {
      const key = bundle.join(' ');
      if (alike.has(key)) return [];
      alike.add(key);
      return [i];
    });
    const joined = distinct.map(into);
    const another = open.length < mostOpen && made + open.length < limit;
    return another ? [...joined, into(null)] : joined;
  };
  const taken = new Map<string, readonly Taking[]>();
  return unordered(number, members, {
    takings(state, unit) {
      // Units of one price have the same ways on: a basket has many of them.
      const key = `${state} ${start(unit)} ${unit.tag}`;
      const seen = taken.get(key);
      if (seen) return seen;
      const found = takingsOf(state, unit);
      taken.set(key, found);
      return found;
    },
    accepts: (state) => (states[state]!.open.length === 0 ? NOTHING : null),
  });
}
