/** Which units go together in bundles; by their places. */
export interface Partition {
  readonly worth: number;
  readonly groups: readonly (readonly number[])[];
}

/** So many sets of units are looked at one by one; of more, units are dealt out and exchanged. */
const MOST_SETS = 150_000;
/** Exchanges that are tried before what has been found has to do. */
const MOST_ROUNDS = 40;

/**
 * Puts units together in bundles from which an amount is taken, each bundle bearing at most what it costs, so that as
 * much as possible is taken in all.
 * @param prices as many as so many whole bundles need.
 * @returns the best there is for bundles of two, for few units or few different prices, and wherever nothing is lost;
 * else a good one. The same for the same prices.
 */
export function partitionOf(prices: readonly number[], take: number, amount: number): Partition {
  const order = prices.map((_, i) => i).sort((a, b) => prices[b]! - prices[a]! || a - b);
  const falling = order.map((i) => prices[i]!);
  const dealt = exchanged(dealtOut(falling, take), falling, amount);
  const found = worthOf(dealt, falling, amount);
  const few = take > 2 && found < idealOf(falling, take, amount) ? bundler(falling, take, amount) : null;
  const exact = few ? groupsIn(few, falling) : null;
  const groups = exact && worthOf(exact, falling, amount) > found ? exact : dealt;
  return {
    worth: worthOf(groups, falling, amount),
    groups: groups.map((group) => group.map((place) => order[place]!)),
  };
}

/** No way of putting them together takes more than this. */
const idealOf = (prices: readonly number[], take: number, amount: number): number =>
  Math.min(
    (prices.length / take) * amount,
    prices.reduce((sum, price) => sum + Math.min(price, amount), 0),
  );

const sumOf = (group: readonly number[], prices: readonly number[]): number =>
  group.reduce((sum, place) => sum + prices[place]!, 0);

const worthOf = (groups: readonly (readonly number[])[], prices: readonly number[], amount: number): number =>
  groups.reduce((sum, group) => sum + Math.min(amount, sumOf(group, prices)), 0);

/**
 * The dearest unit next to whatever costs least so far: sums come out alike. Of two units a bundle, the dearest go with
 * the cheapest, and no other way takes more, as what is taken never grows faster than the sum.
 */
function dealtOut(falling: readonly number[], take: number): number[][] {
  const groups: number[][] = Array.from({ length: falling.length / take }, () => []);
  falling.forEach((_, place) => {
    let best: number[] | null = null;
    for (const group of groups) {
      if (group.length === take) continue;
      if (!best || sumOf(group, falling) < sumOf(best, falling)) best = group;
    }
    best!.push(place);
  });
  return groups;
}

/** Exchanges units between bundles for as long as that takes more, or as much from sums that are more alike. */
function exchanged(groups: number[][], prices: readonly number[], amount: number): number[][] {
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let better = false;
    for (let a = 0; a < groups.length; a++)
      for (let b = a + 1; b < groups.length; b++)
        better = exchangedBetween(groups[a]!, groups[b]!, prices, amount) || better;
    if (!better) break;
  }
  return groups;
}

function exchangedBetween(
  one: number[],
  other: number[],
  prices: readonly number[],
  amount: number,
): boolean {
  const sums = [sumOf(one, prices), sumOf(other, prices)] as const;
  const taken = (a: number, b: number) => Math.min(amount, a) + Math.min(amount, b);
  for (let i = 0; i < one.length; i++)
    for (let j = 0; j < other.length; j++) {
      const moved = prices[other[j]!]! - prices[one[i]!]!;
      const after = [sums[0] + moved, sums[1] - moved] as const;
      const gained = taken(...after) - taken(...sums);
      const closer = Math.abs(after[0] - after[1]) < Math.abs(sums[0] - sums[1]);
      if (gained < 0 || (gained === 0 && !closer)) continue;
      [one[i], other[j]] = [other[j]!, one[i]!];
      return true;
    }
  return false;
}

/** Bundles out of units that are told apart by their prices alone: a set of them is so many of each price. */
export interface Bundler {
  /** Falling; what costs more than the first of them is as good as that. */
  readonly prices: readonly number[];
  /** What a set counts for each unit of a price. */
  readonly weights: readonly number[];
  /** The most that can be taken from a set of whole bundles. */
  worth(set: number): number;
  /** Which prices go together, by their numbers. */
  groups(set: number): readonly (readonly number[])[];
}

/**
 * @param most how many units a set has at most.
 * @returns null where there are too many sets.
 */
export function bundler(
  units: readonly number[],
  take: number,
  amount: number,
  most = units.length,
): Bundler | null {
  const enough = enoughOf(units, take, amount);
  const capped = units.map((price) => Math.min(price, enough));
  const prices = [...new Set(capped)].sort((a, b) => b - a);
  const weights: number[] = [];
  let sets = 1;
  for (const price of prices) {
    weights.push(sets);
    sets *= 1 + capped.filter((one) => one === price).length;
  }
  if (sets > Number.MAX_SAFE_INTEGER || Math.min(sets, choices(prices.length, most)) > MOST_SETS) return null;
  const known = new Map<number, { readonly worth: number; readonly group: readonly number[] }>();
  const countIn = (set: number, i: number): number =>
    Math.floor((set % (weights[i + 1] ?? sets)) / weights[i]!);
  const best = (set: number) => {
    const seen = known.get(set);
    if (seen) return seen;
    const found = bestOf(set);
    known.set(set, found);
    return found;
  };
  const bestOf = (set: number) => {
    let found = { worth: 0, group: [] as readonly number[] };
    if (set === 0) return found;
    const counts = prices.map((_, i) => countIn(set, i));
    const ideal = Math.min(
      (counts.reduce((sum, count) => sum + count, 0) / take) * amount,
      counts.reduce((sum, count, i) => sum + count * prices[i]!, 0),
    );
    // The dearest unit is in some bundle: every bundle with it is tried.
    const first = counts.findIndex((count) => count > 0);
    const extend = (group: readonly number[], from: number, left: number, sum: number): boolean => {
      if (group.length === take) {
        const worth = Math.min(amount, sum) + best(left).worth;
        if (worth > found.worth || found.group.length === 0) found = { worth, group };
        return found.worth >= ideal;
      }
      for (let i = from; i < prices.length; i++)
        if (countIn(left, i) > 0 && extend([...group, i], i, left - weights[i]!, sum + prices[i]!))
          return true;
      return false;
    };
    extend([first], first, set - weights[first]!, prices[first]!);
    return found;
  };
  return {
    prices,
    weights,
    worth: (set) => best(set).worth,
    groups(set) {
      const groups: (readonly number[])[] = [];
      for (let left = set; left > 0; ) {
        const { group } = best(left);
        groups.push(group);
        for (const i of group) left -= weights[i]!;
      }
      return groups;
    },
  };
}

/** What fills a bundle up to the amount whatever else is in it: to cost more makes no difference. */
export function enoughOf(units: readonly number[], take: number, amount: number): number {
  const least = units.reduce((low, price) => Math.min(low, price), amount);
  return Math.max(least, amount - (take - 1) * least);
}

/** How many sets there are of up to so many things out of some kinds. */
function choices(kinds: number, most: number): number {
  let sets = 1;
  for (let i = 1; i <= most; i++) sets = (sets * (kinds + i)) / i;
  return sets;
}

/** The best groups of all the units, by their places. */
function groupsIn({ prices, weights, groups }: Bundler, falling: readonly number[]): number[][] {
  const places = prices.map((price) =>
    falling.flatMap((one, place) => (Math.min(one, prices[0]!) === price ? [place] : [])),
  );
  const all = places.reduce((set, { length }, i) => set + length * weights[i]!, 0);
  const next = prices.map(() => 0);
  return groups(all).map((group) => group.map((i) => places[i]![next[i]!++]!));
}
