import type { Unit } from './unit.ts';

/** The unit is left to others. */
export const SKIP = -1;

/**
 * An automaton unrolled over its units: all that it can do, as arcs from the states before each unit to those after.
 * States are numbered through all layers, in their order; the one end is the last. Every state lies on a run from the
 * start, which is 0, to the end.
 */
export interface LayeredGraph {
  readonly contender: number;
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

export const arcsOf = ({ to }: LayeredGraph): number => to.length;
export const endOf = ({ offset }: LayeredGraph): number => offset[offset.length - 1]!;

/** An arc on its way into a {@link LayeredGraph}. `to` counts within the layer it leads to. */
export interface Arc {
  readonly to: number;
  readonly role: number;
  readonly gain: number;
  readonly done: number;
  readonly gifts: number;
}

/** @param layers for each unit the arcs of each state before it. */
export function packed(
  contender: number,
  units: readonly Unit[],
  layers: readonly (readonly (readonly Arc[])[])[],
): LayeredGraph {
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
    contender,
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

/** An arc that goes on at once along another that reads nothing. */
export const joined = (arc: Arc, next: Arc): Arc => ({
  to: next.to,
  role: arc.role,
  gain: arc.gain + next.gain,
  done: arc.done + next.done,
  gifts: arc.gifts + next.gifts,
});
