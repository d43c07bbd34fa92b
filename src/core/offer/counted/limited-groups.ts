import { type Ending, type Limit, NOTHING } from '../../assignment/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import type { Unit } from '../room/unit.ts';

interface GroupsState {
  readonly all: readonly number[];
  /** Zero where nothing bounds them. */
  readonly used: number;
}

const keyOf = ({ all, used }: GroupsState): string => `${all.join()}/${used}`;

/**
 * Offers that are counted by item or family, of which no more than so many may be applied in one basket, or no more than
 * so many units be used: one automaton that reads the units of all of them. A state is the states of all and how many
 * units are used where those are bounded, numbered as they turn up.
 */
export function limitedGroups(
  number: number,
  groups: readonly OfferAutomaton[],
  groupOf: (unit: Unit) => number,
  { limit, most }: { readonly limit: Limit; readonly most: Limit },
): OfferAutomaton {
  const bounded = most < Number.POSITIVE_INFINITY;
  const starts = groups.map(({ start }) => start);
  const states: GroupsState[] = [{ all: starts, used: 0 }];
  const known = new Map<string, number>([[keyOf(states[0]!), 0]]);
  const numberOf = (state: GroupsState): number => {
    const key = keyOf(state);
    const found = known.get(key);
    if (found !== undefined) return found;
    known.set(key, states.length);
    states.push(state);
    return states.length - 1;
  };
  return {
    contender: number,
    members: groups.flatMap(({ members }) => members),
    ordered: groups.some(({ ordered }) => ordered),
    start: 0,
    takings(state, unit) {
      const { all, used } = states[state]!;
      if (used >= most) return [];
      const group = groupOf(unit);
      const begun = all.filter((one, i) => one !== starts[i]).length;
      if (all[group] === starts[group] && begun >= limit) return [];
      return groups[group]!.takings(all[group]!, unit).map((way) => ({
        ...way,
        to: numberOf({ all: all.with(group, way.to), used: bounded ? used + 1 : 0 }),
      }));
    },
    accepts(state) {
      let ending: Ending = NOTHING;
      for (const [i, one] of states[state]!.all.entries()) {
        const own = groups[i]!.accepts(one);
        if (!own) return null;
        ending = {
          gain: ending.gain + own.gain,
          gifts: ending.gifts + own.gifts,
          done: ending.done + own.done,
        };
      }
      return ending;
    },
  };
}
