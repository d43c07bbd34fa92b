import type { LayeredGraph } from './layered-graph.ts';
import { EVEN, type Standing } from './tie-break.ts';
import type { Unit } from './unit.ts';

/** Which contender takes a unit, and in which role. */
export interface Taken<U extends Unit = Unit> {
  readonly unit: U;
  readonly contender: number;
  readonly role: number;
}

/** What is known between two units: the states of all contenders together, each with the best way there. */
export interface Beam {
  readonly width: number;
  readonly states: Int32Array;
  readonly value: Float64Array;
  /** What the contenders can still gain from there, less unit multipliers. */
  readonly ahead: Float64Array;
  readonly parent: Int32Array;
  /** Index among the contenders of the one that took the unit, and its role. */
  readonly contender: Int32Array;
  readonly role: Int32Array;
  readonly standings: Standing[];
  count: number;
}

export function emptyBeam(contenders: number, room: number, tied: boolean): Beam {
  return {
    width: contenders,
    states: new Int32Array(contenders * room),
    value: new Float64Array(room),
    ahead: new Float64Array(room),
    parent: new Int32Array(room),
    contender: new Int32Array(room),
    role: new Int32Array(room),
    standings: tied ? new Array(room) : [],
    count: 0,
  };
}

export function startBeam(contenders: number, ahead: readonly Float64Array[]): Beam {
  const beam = emptyBeam(contenders, 1, true);
  beam.standings[0] = EVEN;
  beam.ahead[0] = ahead.reduce((sum, [first]) => sum + first!, 0);
  beam.count = 1;
  return beam;
}

/** Keeps the most promising; equal ones in the order in which they came. @returns the best of what was dropped. */
export function narrow(beam: Beam, width: number): number {
  const promise = (i: number) => beam.value[i]! + beam.ahead[i]!;
  const order = Array.from({ length: beam.count }, (_, i) => i).sort(
    (a, b) => promise(b) - promise(a) || a - b,
  );
  const best = promise(order[width]!);
  const kept = order.slice(0, width);
  const states = beam.states.slice();
  const copies = {
    value: beam.value.slice(),
    ahead: beam.ahead.slice(),
    parent: beam.parent.slice(),
    contender: beam.contender.slice(),
    role: beam.role.slice(),
    standings: beam.standings.slice(),
  };
  kept.forEach((from, to) => {
    beam.states.set(states.subarray(from * beam.width, (from + 1) * beam.width), to * beam.width);
    beam.value[to] = copies.value[from]!;
    beam.ahead[to] = copies.ahead[from]!;
    beam.parent[to] = copies.parent[from]!;
    beam.contender[to] = copies.contender[from]!;
    beam.role[to] = copies.role[from]!;
    beam.standings[to] = copies.standings[from]!;
  });
  beam.count = width;
  return best;
}

/** The way back from the end. */
export function trace(
  beams: readonly Beam[],
  units: readonly Unit[],
  contenders: readonly LayeredGraph[],
): Taken[] {
  const taken: Taken[] = [];
  let at = 0;
  for (let f = units.length; f > 0; f--) {
    const beam = beams[f]!;
    const index = beam.contender[at]!;
    if (index >= 0)
      taken.push({ unit: units[f - 1]!, contender: contenders[index]!.contender, role: beam.role[at]! });
    at = beam.parent[at]!;
  }
  return taken.reverse();
}
