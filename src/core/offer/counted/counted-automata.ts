import type { MakeAutomaton, Members } from '../room/in-basket.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import type { Unit } from '../room/unit.ts';
import { type CountedBy, countedBy } from './counted-by.ts';
import { limitedGroups } from './limited-groups.ts';

/**
 * An automaton for each item, family or set of which there is enough; one for all of them where only so many may be
 * applied, or only so many units be used.
 * @param least units of a group with which something can be applied
 */
export function countedAutomata(
  count: CountedBy,
  least: number,
  { units: members, limit, most, goods }: Members,
  make: (number: number, units: readonly Unit[]) => OfferAutomaton,
): MakeAutomaton[] {
  const keyOf = (unit: Unit) => countedBy(count, unit, goods);
  const groups = new Map<string, Unit[]>();
  for (const unit of members) {
    const group = groups.get(keyOf(unit));
    if (group) group.push(unit);
    else groups.set(keyOf(unit), [unit]);
  }
  for (const [key, units] of groups) if (units.length < least) groups.delete(key);
  const all = [...groups.values()];
  const few = all.reduce((sum, units) => sum + units.length, 0) > most;
  if (limit >= all.length && !few) return all.map((units) => (number) => make(number, units));
  const keys = [...groups.keys()];
  const groupOf = (unit: Unit) => keys.indexOf(keyOf(unit));
  return [
    (number) =>
      limitedGroups(
        number,
        all.map((units) => make(number, units)),
        groupOf,
        { limit, most: few ? most : Number.POSITIVE_INFINITY },
      ),
  ];
}
