import type { OfferMachine } from '../offers/machine.ts';
import type { Unit } from '../unit.ts';

/** The unit is left to others. */
export const SKIP = -1;

/** All that a machine can do between two units: arcs from the states before a unit to those after it. */
export interface Layer {
  readonly unit: Unit;
  /** Arcs of state `s` are those from `from[s]` up to `from[s + 1]`; the first of each is the skip, where there is one. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** {@link SKIP}, or the role in which the unit is taken. */
  readonly role: Int32Array;
  readonly gain: Float64Array;
  readonly done: Float64Array;
  readonly gifts: Float64Array;
}

/** A machine spread out over its units. Every state lies on a run from the start to an accepted end; the end is one state. */
export interface Layered {
  readonly offer: number;
  readonly layers: readonly Layer[];
  /** How many states there are before each unit; the last entry is the end. */
  readonly sizes: readonly number[];
  /** How many arcs there are: the work of one pass. */
  readonly arcs: number;
}

interface Arc {
  to: number;
  readonly role: number;
  gain: number;
  done: number;
  gifts: number;
}

/**
 * Spreads a machine out. States from which no accepted end can be reached are left out.
 * @param units its members, in the order in which they are read.
 * @param startOf the price by which the machine tells one level from the next.
 * @param most how many arcs there may be; a machine that needs more is given up: null.
 */
export function spread(
  machine: OfferMachine,
  units: readonly Unit[],
  startOf: (unit: Unit) => number,
  most: number,
): Layered | null {
  const forward = reach(machine, units, startOf, most);
  if (!forward) return null;
  const { states, arcs } = forward;
  // Backward: what can still end well, and the new number of each state that can.
  let numbers = new Map<number, number>();
  const end = states.at(-1)!.map((state) => machine.accepts(state));
  const layers: Layer[] = new Array(units.length);
  const sizes: number[] = new Array(units.length + 1).fill(1);
  let total = 0;
  for (let l = units.length - 1; l >= 0; l--) {
    const next = new Map<number, number>();
    const kept: Arc[][] = [];
    states[l]!.forEach((_, s) => {
      const alive = arcs[l]![s]!.flatMap((arc): Arc[] => {
        if (l === units.length - 1) {
          const ending = end[arc.to];
          if (!ending) return [];
          return [
            {
              to: 0,
              role: arc.role,
              gain: arc.gain + ending.gain,
              done: arc.done + ending.done,
              gifts: arc.gifts + ending.gifts,
            },
          ];
        }
        const to = numbers.get(arc.to);
        return to === undefined ? [] : [{ ...arc, to }];
      });
      if (alive.length === 0) return;
      next.set(s, kept.length);
      kept.push(alive);
      total += alive.length;
    });
    layers[l] = pack(units[l]!, kept);
    sizes[l] = kept.length;
    numbers = next;
  }
  return { offer: machine.offer, layers, sizes, arcs: total };
}

function reach(
  machine: OfferMachine,
  units: readonly Unit[],
  startOf: (unit: Unit) => number,
  most: number,
): { states: number[][]; arcs: Arc[][][] } | null {
  const states: number[][] = [[machine.start]];
  const arcs: Arc[][][] = [];
  let count = 0;
  for (let l = 0; l < units.length; l++) {
    const unit = units[l]!;
    const last = l === units.length - 1 || startOf(units[l + 1]!) !== startOf(unit);
    const number = new Map<number, number>();
    const after: number[] = [];
    const numberOf = (state: number): number => {
      const found = number.get(state);
      if (found !== undefined) return found;
      number.set(state, after.length);
      after.push(state);
      return after.length - 1;
    };
    const holds = (state: number): boolean => machine.holds?.(state, last) ?? true;
    arcs.push(
      states[l]!.map((state) => {
        const skip: Arc[] = holds(state)
          ? [{ to: numberOf(state), role: SKIP, gain: 0, done: 0, gifts: 0 }]
          : [];
        const taken = machine
          .takings(state, unit)
          .filter(({ to }) => holds(to))
          .map((one): Arc => ({ ...one, to: numberOf(one.to) }));
        count += skip.length + taken.length;
        return [...skip, ...taken];
      }),
    );
    if (count > most) return null;
    states.push(after);
  }
  return { states, arcs };
}

function pack(unit: Unit, kept: readonly (readonly Arc[])[]): Layer {
  const all = kept.flat();
  const from = new Int32Array(kept.length + 1);
  kept.forEach((arcs, s) => {
    from[s + 1] = from[s]! + arcs.length;
  });
  return {
    unit,
    from,
    to: Int32Array.from(all, ({ to }) => to),
    role: Int32Array.from(all, ({ role }) => role),
    gain: Float64Array.from(all, ({ gain }) => gain),
    done: Float64Array.from(all, ({ done }) => done),
    gifts: Float64Array.from(all, ({ gifts }) => gifts),
  };
}
