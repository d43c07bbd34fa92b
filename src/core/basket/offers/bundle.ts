import type { Bundle } from '../../plan/index.ts';
import { percentOf } from '../reduction.ts';
import type { StartingPrice, Unit } from '../unit.ts';
import { type Limit, NOTHING, type OfferMachine, type Taking, taking } from './machine.ts';

/** Pricing rules 4.1, mix-and-match, bundle: exactly `take` units a time. Its one role is 0. */
export function bundleMachine(
  number: number,
  offer: Bundle,
  members: readonly Unit[],
  start: StartingPrice,
  limit: Limit,
): OfferMachine {
  if (offer.value.kind === 'amountOff') {
    const { amount } = offer.value;
    const prices = members.map(start).sort((a, b) => a - b);
    const sum = (some: readonly number[]) => some.reduce((all, price) => all + price, 0);
    // What no bundle of them costs makes every one of them free.
    if (sum(prices.slice(-offer.take)) <= amount)
      return countingMachine(number, offer.take, members, [FREE], limit);
    if (sum(prices.slice(0, offer.take)) < amount)
      return cappedMachine(number, offer.take, amount, members, start, limit);
  }
  const worth = worthOf(offer, start);
  // Where a tag is above its base, going back to the bases alone may be the bundle's whole saving.
  const bare =
    offer.value.kind === 'total' && members.some((unit) => unit.tag > start(unit))
      ? { unit: (unit: Unit) => unit.tag - start(unit), whole: 0 }
      : null;
  const ways = bare ? [worth, bare] : [worth];
  return countingMachine(number, offer.take, members, ways, limit);
}

interface Worth {
  unit(unit: Unit): number;
  /** Added when the bundle is complete. */
  readonly whole: number;
}

const FREE: Worth = { unit: ({ tag }) => tag, whole: 0 };

function worthOf({ value }: Bundle, start: StartingPrice): Worth {
  switch (value.kind) {
    case 'total':
      return { unit: ({ tag }) => tag, whole: -value.amount };
    case 'amountOff':
      return { unit: (unit) => unit.tag - start(unit), whole: value.amount };
    case 'each':
      return { unit: (unit) => unit.tag - Math.min(value.amount, start(unit)), whole: 0 };
    case 'percentOff':
      return {
        unit: (unit) => unit.tag - start(unit) + percentOf(start(unit), value.percent),
        whole: 0,
      };
  }
}

/** States: units in the open bundle, bundles made so far where they are limited, and the way its units are counted. */
function countingMachine(
  number: number,
  take: number,
  members: readonly Unit[],
  ways: readonly Worth[],
  limit: Limit,
): OfferMachine {
  const limited = Number.isFinite(limit);
  const at = (fill: number, made: number, way: number) =>
    (way * take + fill) * (limited ? limit + 1 : 1) + made;
  return {
    offer: number,
    members,
    ordered: false,
    start: 0,
    takings(state, unit) {
      const made = limited ? state % (limit + 1) : 0;
      const place = limited ? Math.floor(state / (limit + 1)) : state;
      const fill = place % take;
      if (made >= limit) return [];
      const open = fill === 0 ? ways.map((_, way) => way) : [Math.floor(place / take)];
      return open.map((way) => {
        const { unit: worth, whole } = ways[way]!;
        if (fill + 1 < take) return taking(at(fill + 1, made, way), 0, worth(unit));
        return taking(at(0, limited ? made + 1 : 0, 0), 0, worth(unit) + whole, 1);
      });
    },
    accepts(state) {
      const place = limited ? Math.floor(state / (limit + 1)) : state;
      return place % take === 0 ? NOTHING : null;
    },
  };
}

/** What a unit joins: a bundle with so many units, that can bear so much of the amount so far. */
export interface OpenBundle {
  readonly fill: number;
  readonly sum: number;
}

/** A machine whose roles say which open bundle a unit joins. */
export interface CappedMachine extends OfferMachine {
  joins(role: number): OpenBundle;
  /** What of a sum of prices the amount can be taken from. */
  bearable(sum: number): number;
  /** What can stand for it where it has too many states, the better first: machines that do part of what it does. */
  readonly narrowed: readonly OfferMachine[];
  /** Machines that never save less than it does on the same units. */
  readonly relaxed: readonly OfferMachine[];
}

/** So many bundles the narrowed machines have open at once. */
const FEW_OPEN = [3, 2, 1];
/** What a bundle bears is at most the amount, and at most what it costs, and so at most any mixture of the two. */
const MIXTURES = [1, 0.5, 0];

export const isCapped = (machine: OfferMachine): machine is CappedMachine => 'joins' in machine;

/**
 * An amount off that may be more than a bundle costs takes that at most, so that it matters which units go together:
 * a state is every open bundle with its units so far and what they can bear, up to the amount.
 */
function cappedMachine(
  number: number,
  take: number,
  amount: number,
  members: readonly Unit[],
  start: StartingPrice,
  limit: Limit,
): CappedMachine {
  const known = new Map<string, number>([['0;', 0]]);
  const states: { made: number; open: readonly (readonly [number, number])[] }[] = [{ made: 0, open: [] }];
  const numberOf = (made: number, open: readonly (readonly [number, number])[]): number => {
    const sorted = open.toSorted((a, b) => a[0] - b[0] || a[1] - b[1]);
    const key = `${made};${sorted.join(' ')}`;
    const found = known.get(key);
    if (found !== undefined) return found;
    known.set(key, states.length);
    states.push({ made, open: sorted });
    return states.length - 1;
  };
  const joins: OpenBundle[] = [];
  const roles = new Map<string, number>();
  const roleOf = (fill: number, sum: number): number => {
    const key = `${fill} ${sum}`;
    const role = roles.get(key) ?? joins.push({ fill, sum }) - 1;
    roles.set(key, role);
    return role;
  };
  const takingsOf = (state: number, unit: Unit, mostOpen: number): Taking[] => {
    const { made, open } = states[state]!;
    const [price, lost] = [start(unit), unit.tag - start(unit)];
    const into = (at: number | null) => {
      const [fill, sum] = at === null ? [0, 0] : open[at]!;
      const role = roleOf(fill, sum);
      const rest = at === null ? open : open.filter((_, i) => i !== at);
      const bearable = Math.min(amount, sum + price);
      if (fill + 1 === take)
        return taking(numberOf(Number.isFinite(limit) ? made + 1 : 0, rest), role, lost + bearable, 1);
      return taking(numberOf(made, [...rest, [fill + 1, bearable]]), role, lost);
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
  const machine = (mostOpen: number): OfferMachine => {
    const taken = new Map<string, readonly Taking[]>();
    return {
      offer: number,
      members,
      ordered: false,
      start: 0,
      takings(state, unit) {
        // Units of one price have the same ways on: a basket has many of them.
        const key = `${state} ${start(unit)} ${unit.tag}`;
        const seen = taken.get(key);
        if (seen) return seen;
        const found = takingsOf(state, unit, mostOpen);
        taken.set(key, found);
        return found;
      },
      accepts: (state) => (states[state]!.open.length === 0 ? NOTHING : null),
    };
  };
  return {
    ...machine(Number.POSITIVE_INFINITY),
    joins: (role) => joins[role]!,
    bearable: (sum) => Math.min(amount, sum),
    narrowed: FEW_OPEN.map(machine),
    relaxed: MIXTURES.map((share) => {
      const unit = (one: Unit) => one.tag - start(one) + Math.ceil((1 - share) * start(one));
      return countingMachine(number, take, members, [{ unit, whole: Math.ceil(share * amount) }], limit);
    }),
  };
}
