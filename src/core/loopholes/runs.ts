import type { Ending } from '../assignment/index.ts';
import type { OfferInBasket, Unit } from '../offer/index.ts';
import { EMPTY, type Label, put } from './label.ts';
import type { Measure, UsedBy } from './measure.ts';

/** What the goods of a basket cost, by their number in the catalogue. Minor units. */
export interface Costs {
  of(item: number): number;
  /** What gifts cost of which so much is given; `by`: who gives them. */
  ofGifts(worth: number, by: UsedBy): number;
}

/** Which baskets begun so may still come to anything. */
export interface Hope {
  /** The lowest margin that so many further units may leave, whatever they are; fewer are as good. */
  readonly floor: readonly number[];
  /**
   * @param rest what all further units leave at least.
   * @param units picked so far.
   */
  hopeful(label: Label, units: number, rest: number, by: UsedBy): boolean;
}

/** Labels that may stand at once; an offer that needs more is given up. */
const MOST_LABELS = 400_000;

/**
 * All that an offer can do with at most so many units, as what it leaves: for each number of units the ways that no
 * other one covers. Units are read as the offer's automaton reads them; where one more of a good changes nothing,
 * neither does a further one.
 * @param measures how rewards look at what is paid; none: only the margin counts.
 * @param hope absent: all of them are wanted.
 * @returns by number of units, from none on; null: there is too much of it.
 */
export function runsOf(
  { automaton, levelOf }: OfferInBasket,
  by: UsedBy,
  most: number,
  measures: readonly Measure[],
  costs: Costs,
  hope?: Hope,
): readonly (readonly Label[])[] | null {
  const units = automaton.members.toSorted((a, b) => levelOf(b) - levelOf(a) || a.position - b.position);
  const start = measures.length === 0 ? EMPTY : { ...EMPTY, measured: measures.map(() => 0) };
  const layers: Map<number, Label[]>[] = Array.from({ length: most + 1 }, () => new Map());
  layers[0]!.set(automaton.start, [start]);
  const leaves = (unit: Unit, { gain, gifts }: Ending): number =>
    unit.tag - (gain - gifts) - costs.of(unit.item) - costs.ofGifts(gifts, by);
  const restFrom =
    hope &&
    restsOf(automaton, hope.floor, leaves, ({ gain, gifts }) => gifts - gain - costs.ofGifts(gifts, by));
  let room = MOST_LABELS;
  let idle = -1;
  for (const [l, unit] of units.entries()) {
    if (unit.item === idle) continue;
    let changed = false;
    for (let taken = most - 1; taken >= 0; taken--)
      for (const [state, labels] of layers[taken]!)
        for (const way of automaton.takings(state, unit)) {
          const margin = leaves(unit, way);
          const rest = restFrom?.(way.to, most - taken - 1) ?? 0;
          const added = measures.map((measure) => measure.used(unit, by, way.gain - way.gifts));
          const next = listAt(layers[taken + 1]!, way.to);
          for (const label of labels) {
            const measured = added.map((more, i) => label.measured[i]! + more);
            const picked = { good: unit.item, before: label.picked };
            const further = { margin: label.margin + margin, measured, picked };
            if (hope && !hope.hopeful(further, taken + 1, rest, by)) continue;
            if (!put(next, further)) continue;
            changed = true;
            room -= 1;
          }
        }
    if (room < 0) return null;
    if (automaton.holds) {
      const next = units[l + 1];
      const last = !next || levelOf(next) !== levelOf(unit);
      for (const layer of layers)
        for (const state of layer.keys()) if (!automaton.holds(state, last)) layer.delete(state);
    } else if (!changed) idle = unit.item;
  }
  return layers.map((layer) => {
    const ended: Label[] = [];
    for (const [state, labels] of layer) {
      const ending = automaton.accepts(state);
      if (!ending) continue;
      const gain = ending.gain - ending.gifts;
      const margin = -gain - costs.ofGifts(ending.gifts, by);
      const added = measures.map((measure) => measure.ending(by, gain));
      for (const label of labels)
        put(ended, {
          margin: label.margin + margin,
          measured: added.map((more, i) => Math.min(measures[i]!.cap, label.measured[i]! + more)),
          picked: label.picked,
        });
    }
    return ended;
  });
}

function listAt(layer: Map<number, Label[]>, state: number): Label[] {
  const found = layer.get(state);
  if (found) return found;
  const made: Label[] = [];
  layer.set(state, made);
  return made;
}

/**
 * What so many further units leave at least from a state on: those that the automaton takes yet, of any goods in any
 * order, and whatever comes beside them.
 */
function restsOf(
  { members, takings, accepts }: OfferInBasket['automaton'],
  floor: readonly number[],
  leaves: (unit: Unit, way: Ending) => number,
  ends: (ending: Ending) => number,
): (state: number, units: number) => number {
  const kinds = [...new Map(members.map((unit) => [unit.item, unit])).values()];
  const known = floor.map(() => new Map<number, number>());
  const restFrom = (state: number, units: number): number => {
    const found = known[units]!.get(state);
    if (found !== undefined) return found;
    const ending = accepts(state);
    let rest = ending ? ends(ending) + floor[units]! : Number.POSITIVE_INFINITY;
    if (units > 0)
      for (const unit of kinds)
        for (const way of takings(state, unit))
          rest = Math.min(rest, leaves(unit, way) + restFrom(way.to, units - 1));
    known[units]!.set(state, rest);
    return rest;
  };
  return restFrom;
}
