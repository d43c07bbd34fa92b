import { endOf, type LayeredGraph } from './layered-graph.ts';

/** What still comes from a state on when the first of its arcs is followed to the end. */
interface Ahead {
  readonly gain: Float64Array;
  readonly done: Float64Array;
  readonly gifts: Float64Array;
}

/**
 * The same automaton with states made one from which all goes on alike, but for a sum that is the same whatever comes:
 * that sum is gained before them instead. Every run gains as much as before (minimisation of a weighted automaton
 * without cycles, after its weights were pushed towards the start).
 */
export function minimise(one: LayeredGraph): LayeredGraph {
  const { units, offset, from } = one;
  const end = endOf(one);
  const ahead: Ahead = {
    gain: new Float64Array(end + 1),
    done: new Float64Array(end + 1),
    gifts: new Float64Array(end + 1),
  };
  // For each state the one that stands for it; itself where it is the first of its kind.
  const standsFor = Int32Array.from({ length: end + 1 }, (_, state) => state);
  for (let l = units.length - 1; l >= 0; l--) {
    const table = tableFor(offset[l + 1]! - offset[l]!);
    for (let s = offset[l]!; s < offset[l + 1]!; s++) {
      const first = from[s]!;
      const next = one.to[first]!;
      ahead.gain[s] = one.gain[first]! + ahead.gain[next]!;
      ahead.done[s] = one.done[first]! + ahead.done[next]!;
      ahead.gifts[s] = one.gifts[first]! + ahead.gifts[next]!;
      standsFor[s] = firstAlike(one, s, standsFor, ahead, table);
    }
  }
  return kept(one, standsFor, ahead);
}

/** Room for the states of one layer, found by a hash. -1: nothing there. */
function tableFor(states: number): Int32Array {
  let size = 16;
  while (size < 2 * states) size *= 2;
  return new Int32Array(size).fill(-1);
}

/** The first state of the layer that goes on as this one does. */
function firstAlike(
  one: LayeredGraph,
  state: number,
  standsFor: Int32Array,
  ahead: Ahead,
  table: Int32Array,
): number {
  const { from, to, role } = one;
  let hash = from[state + 1]! - from[state]!;
  for (let a = from[state]!; a < from[state + 1]!; a++) {
    hash = Math.imul(hash ^ standsFor[to[a]!]!, 0x9e3779b1);
    hash = Math.imul(hash ^ (role[a]! + moved(one.gain, ahead.gain, a, to[a]!, state)), 0x85ebca6b);
    hash ^= hash >>> 15;
  }
  for (let slot = (hash >>> 0) & (table.length - 1); ; slot = (slot + 1) & (table.length - 1)) {
    const other = table[slot]!;
    if (other < 0) {
      table[slot] = state;
      return state;
    }
    if (goOnAlike(one, state, other, standsFor, ahead)) return other;
  }
}

/** What an arc brings once what is sure to come after it is gained before its state. */
const moved = (brings: Float64Array, ahead: Float64Array, arc: number, to: number, state: number): number =>
  brings[arc]! + ahead[to]! - ahead[state]!;

function goOnAlike(one: LayeredGraph, a: number, b: number, standsFor: Int32Array, ahead: Ahead): boolean {
  const { from, to, role } = one;
  const arcs = from[a + 1]! - from[a]!;
  if (from[b + 1]! - from[b]! !== arcs) return false;
  for (let i = 0; i < arcs; i++) {
    const [x, y] = [from[a]! + i, from[b]! + i];
    const [there, here] = [to[x]!, to[y]!];
    if (role[x] !== role[y] || standsFor[there] !== standsFor[here]) return false;
    if (moved(one.gain, ahead.gain, x, there, a) !== moved(one.gain, ahead.gain, y, here, b)) return false;
    if (moved(one.done, ahead.done, x, there, a) !== moved(one.done, ahead.done, y, here, b)) return false;
    if (moved(one.gifts, ahead.gifts, x, there, a) !== moved(one.gifts, ahead.gifts, y, here, b))
      return false;
  }
  return true;
}

/** Only the states that stand for others, numbered anew; what is ahead of the start is gained by its arcs. */
function kept(one: LayeredGraph, standsFor: Int32Array, ahead: Ahead): LayeredGraph {
  const { units, from } = one;
  const end = endOf(one);
  const numbers = new Int32Array(end + 1);
  const offset = new Int32Array(units.length + 1);
  let states = 0;
  let arcs = 0;
  for (let l = 0; l < units.length; l++) {
    offset[l] = states;
    for (let s = one.offset[l]!; s < one.offset[l + 1]!; s++) {
      if (standsFor[s] !== s) continue;
      numbers[s] = states++;
      arcs += from[s + 1]! - from[s]!;
    }
  }
  offset[units.length] = states;
  numbers[end] = states;
  const left = {
    contender: one.contender,
    units,
    offset,
    from: new Int32Array(states + 1),
    to: new Int32Array(arcs),
    role: new Int32Array(arcs),
    gain: new Float64Array(arcs),
    done: new Float64Array(arcs),
    gifts: new Float64Array(arcs),
  };
  let at = 0;
  for (let s = 0; s < end; s++) {
    if (standsFor[s] !== s) continue;
    // Nothing stands before the start that could gain what is ahead of it.
    const before = s === 0 ? end : s;
    for (let a = from[s]!; a < from[s + 1]!; a++) {
      const to = one.to[a]!;
      left.to[at] = numbers[standsFor[to]!]!;
      left.role[at] = one.role[a]!;
      left.gain[at] = moved(one.gain, ahead.gain, a, to, before);
      left.done[at] = moved(one.done, ahead.done, a, to, before);
      left.gifts[at] = moved(one.gifts, ahead.gifts, a, to, before);
      at += 1;
    }
    left.from[numbers[s]! + 1] = at;
  }
  return left;
}
