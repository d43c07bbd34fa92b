import { type Ending, NOTHING } from '../../assignment/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import type { Unit } from '../room/unit.ts';

/**
 * Offers that are counted by item or family, of which no more than so many may be applied in one basket: one automaton
 * that reads the units of all of them. A state is the states of all, numbered as they turn up.
 */
export function limitedGroups(
  number: number,
  groups: readonly OfferAutomaton[],
  groupOf: (unit: Unit) => number,
  limit: number,
): OfferAutomaton {
  const starts = groups.map(({ start }) => start);
  const states: (readonly number[])[] = [starts];
  const known = new Map<string, number>([[starts.join(), 0]]);
  const numberOf = (state: readonly number[]): number => {
    const key = state.join();
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
      const all = states[state]!;
      const group = groupOf(unit);
      const begun = all.filter((one, i) => one !== starts[i]).length;
      if (all[group] === starts[group] && begun >= limit) return [];
      return groups[group]!.takings(all[group]!, unit).map((way) => ({
        ...way,
        to: numberOf(all.with(group, way.to)),
      }));
    },
    accepts(state) {
      let ending: Ending = NOTHING;
      for (const [i, one] of states[state]!.entries()) {
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
