import type { OfferMachine } from '../offers/machine.ts';
import type { Unit } from '../unit.ts';

/** The unit is left to others. */
export const SKIP = -1;

/**
 * A machine spread out over its units: all that it can do, as arcs from the states before each unit to those after it.
 * States are numbered through all layers, in their order; the one end is the last. Every state lies on a run from the
 * start, which is 0, to the end.
 */
export interface Layered {
  readonly offer: number;
  /** One for each layer. */
  readonly units: readonly Unit[];
  /** The first state of each layer; after the last layer the end. */
  readonly offset: Int32Array;
  /** Arcs of state `s` are those from `from[s]` up to `from[s + 1]`; a skip comes first. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** {@link SKIP}, or the role in which the unit is taken. */
  readonly role: Int32Array;
  readonly gain: Float64Array;
  readonly done: Float64Array;
  readonly gifts: Float64Array;
}

export const arcsOf = ({ to }: Layered): number => to.length;
export const endOf = ({ offset }: Layered): number => offset[offset.length - 1]!;

/** An arc on its way into a {@link Layered}. `to` counts within the layer it leads to. */
export interface Arc {
  readonly to: number;
  readonly role: number;
  readonly gain: number;
  readonly done: number;
  readonly gifts: number;
}

/** @param layers for each unit the arcs of each state before it. */
export function packed(
  offer: number,
  units: readonly Unit[],
  layers: readonly (readonly (readonly Arc[])[])[],
): Layered {
  const offset = new Int32Array(layers.length + 1);
  layers.forEach((states, l) => {
    offset[l + 1] = offset[l]! + states.length;
  });
  const end = offset[layers.length]!;
  const from = new Int32Array(end + 1);
  let state = 0;
  for (const states of layers)
    for (const arcs of states) {
      from[state + 1] = from[state]! + arcs.length;
      state += 1;
    }
  const count = from[end]!;
  const packing = {
    offer,
    units,
    offset,
    from,
    to: new Int32Array(count),
    role: new Int32Array(count),
    gain: new Float64Array(count),
    done: new Float64Array(count),
    gifts: new Float64Array(count),
  };
  let a = 0;
  layers.forEach((states, l) => {
    for (const arcs of states)
      for (const arc of arcs) {
        packing.to[a] = offset[l + 1]! + arc.to;
        packing.role[a] = arc.role;
        packing.gain[a] = arc.gain;
        packing.done[a] = arc.done;
        packing.gifts[a] = arc.gifts;
        a += 1;
      }
  });
  return packing;
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
  const ends = states.at(-1)!.map((state) => machine.accepts(state));
  let numbers: (Arc | null)[] = ends.map((ending) => (ending ? { to: 0, role: SKIP, ...ending } : null));
  const layers: Arc[][][] = new Array(units.length);
  for (let l = units.length - 1; l >= 0; l--) {
    const kept: Arc[][] = [];
    numbers = arcs[l]!.map((out) => {
      const alive: Arc[] = [];
      for (const arc of out) {
        const next = numbers[arc.to];
        if (next) alive.push(joined(arc, next));
      }
      return alive.length === 0 ? null : { to: kept.push(alive) - 1, role: SKIP, gain: 0, done: 0, gifts: 0 };
    });
    layers[l] = kept;
  }
  return packed(machine.offer, units, layers);
}

/** An arc that goes on at once along another that reads nothing. */
export const joined = (arc: Arc, next: Arc): Arc => ({
  to: next.to,
  role: arc.role,
  gain: arc.gain + next.gain,
  done: arc.done + next.done,
  gifts: arc.gifts + next.gifts,
});

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
    const here: Arc[][] = [];
    for (const state of states[l]!) {
      const out: Arc[] = holds(state)
        ? [{ to: numberOf(state), role: SKIP, gain: 0, done: 0, gifts: 0 }]
        : [];
      for (const one of machine.takings(state, unit))
        if (holds(one.to)) out.push({ ...one, to: numberOf(one.to) });
      count += out.length;
      if (count > most) return null;
      here.push(out);
    }
    arcs.push(here);
    states.push(after);
  }
  return { states, arcs };
}
