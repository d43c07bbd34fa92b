import { type Beam, emptyBeam, narrow, startBeam, type Taken, trace } from './beam.ts';
import { gainsAhead, type Multipliers } from './best-run.ts';
import { type LayeredGraph, SKIP } from './layered-graph.ts';
import { stateTable, type Way } from './state-table.ts';
import { after, EVEN, finished, type Standing, type TieWeights } from './tie-break.ts';
import type { Unit } from './unit.ts';

export interface BeamResult {
  /** The most saving that was found; null: nothing at or above the threshold. */
  readonly saving: number | null;
  readonly taken: readonly Taken[];
  readonly standing: Standing;
  /** The largest bound among what was dropped for want of room; below every saving where nothing was. */
  readonly dropped: number;
}

export interface BeamSearch {
  readonly contenders: readonly LayeredGraph[];
  /** All units that any of the contenders reads, in the order in which every one of them reads its own. */
  readonly units: readonly Unit[];
  readonly multipliers: Multipliers;
  /** Only what can save as much as this is looked at. */
  readonly threshold: number;
  /** How many states are kept between two units. */
  readonly width: number;
  /** Null: any of the choices with the greatest saving will do. */
  readonly ties: TieWeights | null;
  /** Says that so much work was done; false: there shall be no more. */
  readonly spend: (work: number) => boolean;
}

const CLOSE = 1e-6;

/**
 * Goes through the units and keeps, for every combination of states that the contenders can be in, the best way there. What
 * cannot reach the threshold any more is dropped; so is the least promising where there are too many.
 */
export function beamSearch(search: BeamSearch): BeamResult {
  const { contenders, units, multipliers, threshold, width, ties, spend } = search;
  const ahead = contenders.map((contender) => gainsAhead(contender, multipliers));
  const places = readersOf(contenders);
  if (ahead.some(([first]) => first === Number.NEGATIVE_INFINITY))
    return { saving: null, taken: [], standing: EVEN, dropped: Number.NEGATIVE_INFINITY };
  let rest = units.reduce((sum, { position }) => sum + multipliers[position]!, 0);
  const beams: Beam[] = [startBeam(contenders.length, ahead)];
  let dropped = Number.NEGATIVE_INFINITY;
  for (const unit of units) {
    rest -= multipliers[unit.position]!;
    const beam = beams.at(-1)!;
    const readers = places.get(unit.position)!;
    const grown = grow({ beam, readers, contenders, ahead, unit, floor: threshold - rest - CLOSE, ties });
    if (!spend(grown.work)) {
      // What stood before this unit is all that is known: the rest is bounded, not found.
      for (let i = 0; i < beam.count; i++)
        dropped = Math.max(dropped, beam.value[i]! + beam.ahead[i]! + rest + multipliers[unit.position]!);
      return { saving: null, taken: [], standing: EVEN, dropped };
    }
    const { next } = grown;
    if (next.count > width) dropped = Math.max(dropped, narrow(next, width) + rest);
    beams.push(next);
    if (next.count === 0) return { saving: null, taken: [], standing: EVEN, dropped };
  }
  const last = beams.at(-1)!;
  return {
    saving: last.value[0]!,
    taken: trace(beams, units, contenders),
    standing: ties ? last.standings[0]! : EVEN,
    dropped,
  };
}

/** For each position the indexes of the contenders that read its unit. */
function readersOf(contenders: readonly LayeredGraph[]): Map<number, number[]> {
  const places = new Map<number, number[]>();
  contenders.forEach(({ units }, index) => {
    for (const { position } of units) {
      const here = places.get(position);
      if (here) here.push(index);
      else places.set(position, [index]);
    }
  });
  return places;
}

/** What becomes of the readers of a unit that leave it to others; one for each of them. */
interface Skips {
  readonly to: Int32Array;
  readonly ahead: Float64Array;
  /** An automaton may end on a unit that it skips: the arc then carries what the end brings. -1: it cannot skip. */
  readonly arc: Int32Array;
  readonly gain: Float64Array;
}

/** All that a step over one unit needs. */
interface Step {
  readonly beam: Beam;
  readonly readers: readonly number[];
  readonly contenders: readonly LayeredGraph[];
  readonly ahead: readonly Float64Array[];
  readonly unit: Unit;
  /** What a way and all that can still be gained after it must come to. */
  readonly floor: number;
  readonly ties: TieWeights | null;
}

function grow(step: Step): { next: Beam; work: number } {
  const { beam, readers, ties } = step;
  const room = roomAfter(step);
  const next = emptyBeam(beam.width, room, ties !== null);
  const skips: Skips = {
    to: new Int32Array(readers.length),
    ahead: new Float64Array(readers.length),
    arc: new Int32Array(readers.length),
    gain: new Float64Array(readers.length),
  };
  const known = stateTable(beam, next, room, readers, skips.to, ties !== null);
  for (let i = 0; i < beam.count; i++) goOn(step, i, skips, known.put);
  return { next, work: room * (1 + readers.length) };
}

/** How many ways there can be over the unit. */
function roomAfter({ beam, readers, contenders }: Step): number {
  let room = beam.count;
  for (let i = 0; i < beam.count; i++)
    for (const index of readers) {
      const { from } = contenders[index]!;
      const state = beam.states[i * beam.width + index]!;
      room += from[state + 1]! - from[state]!;
    }
  return room;
}

/** Every way on from one combination of states: all readers skip the unit, or all but the one that takes it. */
function goOn(step: Step, parent: number, skips: Skips, put: (way: Way) => void): void {
  const { beam, readers, contenders, ahead, unit, floor, ties } = step;
  const skipped = skipAll(step, parent, skips);
  if (skipped.stuck > 1) return;
  if (skipped.stuck === 0 && skipped.value + skipped.left >= floor) {
    const standing = ended(step, parent, skips, -1);
    const { value, left } = skipped;
    put({ parent, taker: -1, takenTo: 0, value, left, contender: -1, role: SKIP, standing });
  }
  for (let r = 0; r < readers.length; r++) {
    // Where one cannot skip the unit, only that one can take it.
    if (skipped.stuck === 1 && skips.arc[r]! >= 0) continue;
    const index = readers[r]!;
    const { from, to, role, gain, done, gifts, contender } = contenders[index]!;
    const state = beam.states[parent * beam.width + index]!;
    const others = skipped.left - skips.ahead[r]!;
    const before = skipped.value - skips.gain[r]!;
    const stood = ended(step, parent, skips, r);
    for (let a = from[state]!; a < from[state + 1]!; a++) {
      if (role[a] === SKIP) continue;
      const value = before + gain[a]!;
      const left = others + ahead[index]![to[a]!]!;
      if (value + left < floor) continue;
      const brought = { done: done[a]!, gifts: gifts[a]! };
      const standing = ties ? after(stood, contender, unit.position, brought, ties) : stood;
      put({ parent, taker: r, takenTo: to[a]!, value, left, contender: index, role: role[a]!, standing });
    }
  }
}

/** Lets every reader skip the unit. `stuck`: how many cannot. */
function skipAll(
  { beam, readers, contenders, ahead }: Step,
  parent: number,
  skips: Skips,
): { value: number; left: number; stuck: number } {
  let value = beam.value[parent]!;
  let left = beam.ahead[parent]!;
  let stuck = 0;
  for (let r = 0; r < readers.length; r++) {
    const index = readers[r]!;
    const { from, to, role, gain } = contenders[index]!;
    const state = beam.states[parent * beam.width + index]!;
    const first = from[state]!;
    const can = first < from[state + 1]! && role[first] === SKIP;
    left -= ahead[index]![state]!;
    skips.arc[r] = can ? first : -1;
    skips.to[r] = can ? to[first]! : -1;
    skips.ahead[r] = can ? ahead[index]![to[first]!]! : 0;
    skips.gain[r] = can ? gain[first]! : 0;
    left += skips.ahead[r]!;
    value += skips.gain[r]!;
    if (!can) stuck += 1;
  }
  return { value, left, stuck };
}

/** The standing once the readers that end on this unit by skipping it have done so. */
function ended(
  { beam, readers, contenders, ties }: Step,
  parent: number,
  skips: Skips,
  taker: number,
): Standing {
  let so = beam.standings[parent]!;
  if (!ties) return so;
  for (let r = 0; r < readers.length; r++) {
    const arc = skips.arc[r]!;
    if (r === taker || arc < 0) continue;
    const { done, gifts, contender } = contenders[readers[r]!]!;
    if (done[arc]! > 0) so = finished(so, contender, { done: done[arc]!, gifts: gifts[arc]! }, ties);
  }
  return so;
}
