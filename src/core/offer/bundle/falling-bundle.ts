import { type Limit, NOTHING, taking } from '../../assignment/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import type { StartingPrice, Unit } from '../room/unit.ts';

/** What the open bundle can bear yet: all that its units cost, or nothing more; else it is told by what it bore so far. */
const BEARS_ALL = -1;
const BEARS_NO_MORE = -2;

/**
 * A bundle whose amount off may be more than its units cost, each bundle bearing at most that. The units that are used
 * are bundled by falling starting price (pricing rules 4.1), so that units read by falling price and taken one after
 * another are a bundle. Each unit brings at once what the bundle bears more with it. A state is the number of units in
 * the open bundle, what it bore so far as long as that can matter, and the bundles made where they are limited.
 */
export function fallingBundleAutomaton(
  number: number,
  { take, amount }: { take: number; amount: number },
  members: readonly Unit[],
  start: StartingPrice,
  limit: Limit,
): OfferAutomaton {
  const cheapest = Math.min(...members.map(start));
  const limited = Number.isFinite(limit);
  const states: Open[] = [];
  const known = new Map<string, number>();
  const numberOf = (open: Open): number => {
    const key = `${open.fill} ${open.bore} ${open.made}`;
    const found = known.get(key);
    if (found !== undefined) return found;
    known.set(key, states.length);
    return states.push(open) - 1;
  };
  /** What a bundle bears in all that bore so much with `fill` units, the last at this price; none after it costs more. */
  const bearing = (fill: number, bore: number, price: number): number => {
    if (bore + (take - fill) * cheapest >= amount) return BEARS_NO_MORE;
    return bore + (take - fill) * price <= amount ? BEARS_ALL : bore;
  };
  const first = numberOf({ fill: 0, bore: 0, made: 0 });
  return {
    contender: number,
    members,
    ordered: true,
    start: first,
    takings(state, unit) {
      const { fill, bore, made } = states[state]!;
      if (made >= limit) return [];
      const price = start(unit);
      const lost = unit.tag - price;
      const complete = fill + 1 === take;
      const to = (next: number) =>
        complete
          ? numberOf({ fill: 0, bore: 0, made: limited ? made + 1 : 0 })
          : numberOf({ fill: fill + 1, bore: next, made });
      if (bore < 0) return [taking(to(bore), 0, lost + (bore === BEARS_ALL ? price : 0), complete ? 1 : 0)];
      const after = Math.min(amount, bore + price);
      const next = complete ? 0 : bearing(fill + 1, after, price);
      // Where the rest is sure to be borne it is borne at once.
      const borne = next === BEARS_NO_MORE ? amount : after;
      return [taking(to(next), 0, lost + borne - bore, complete ? 1 : 0)];
    },
    accepts: (state) => (states[state]!.fill === 0 ? NOTHING : null),
  };
}

interface Open {
  readonly fill: number;
  readonly bore: number;
  readonly made: number;
}
