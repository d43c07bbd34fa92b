import type { Automaton, Ending } from './automaton.ts';
import { type LayeredGraph, SKIP } from './layered-graph.ts';
import { stateNumbers } from './state-numbers.ts';
import type { Unit } from './unit.ts';

/** Everything that an automaton can reach, dead ends with it. States are numbered through all layers. */
interface Reached {
  /** The first state of each layer, the one after the last unit among them, and the number of all. */
  readonly layers: readonly number[];
  readonly states: readonly number[];
  /** Arcs of state `s` are those from `from[s]` up to `from[s + 1]`. */
  readonly from: readonly number[];
  readonly to: readonly number[];
  readonly role: readonly number[];
  readonly gain: readonly number[];
  readonly done: readonly number[];
  readonly gifts: readonly number[];
}

/**
 * Spreads an automaton out. States from which no accepted end can be reached are left out.
 * @param units its members, in the order in which they are read.
 * @param levelOf the level of a unit.
 * @param most how many arcs there may be; an automaton that needs more is given up: null.
 */
export function unroll<U extends Unit>(
  automaton: Automaton<U>,
  units: readonly U[],
  levelOf: (unit: U) => number,
  most: number,
): LayeredGraph | null {
  const reached = reach(automaton, units, levelOf, most);
  if (!reached) return null;
  const last = reached.layers[units.length]!;
  const endings = reached.states.slice(last).map((state) => automaton.accepts(state));
  return alive(automaton.contender, units, reached, endings);
}

/**
 * The most that an automaton can gain with some of these units; never below nothing, as it may leave all of them.
 * @param most how many arcs may be looked at; an automaton that needs more is given up: null.
 */
export function mostGain<U extends Unit>(
  automaton: Automaton<U>,
  units: readonly U[],
  levelOf: (unit: U) => number,
  most: number,
): number | null {
  const reached = reach(automaton, units, levelOf, most);
  if (!reached) return null;
  const { layers, states, from, to, gain } = reached;
  const last = layers[units.length]!;
  const ahead = new Float64Array(states.length).fill(Number.NEGATIVE_INFINITY);
  for (let s = last; s < states.length; s++)
    ahead[s] = automaton.accepts(states[s]!)?.gain ?? Number.NEGATIVE_INFINITY;
  for (let s = last - 1; s >= 0; s--)
    for (let a = from[s]!; a < from[s + 1]!; a++) ahead[s] = Math.max(ahead[s]!, gain[a]! + ahead[to[a]!]!);
  return Math.max(0, ahead[0]!);
}

function reach<U extends Unit>(
  automaton: Automaton<U>,
  units: readonly U[],
  levelOf: (unit: U) => number,
  most: number,
): Reached | null {
  const { states, of, nextLayer } = stateNumbers();
  const layers = [0, 1];
  const from = [0];
  const to: number[] = [];
  const role: number[] = [];
  const gain: number[] = [];
  const done: number[] = [];
  const gifts: number[] = [];
  const mayEnd = automaton.prospects?.(units);
  of(automaton.start);
  for (let l = 0; l < units.length; l++) {
    const unit = units[l]!;
    const last = l === units.length - 1 || levelOf(units[l + 1]!) !== levelOf(unit);
    const end = states.length;
    nextLayer();
    for (let s = layers[l]!; s < end; s++) {
      const state = states[s]!;
      if ((automaton.holds?.(state, last) ?? true) && (mayEnd?.(state, l + 1) ?? true)) {
        to.push(of(state));
        role.push(SKIP);
        gain.push(0);
        done.push(0);
        gifts.push(0);
      }
      for (const way of automaton.takings(state, unit)) {
        if (automaton.holds && !automaton.holds(way.to, last)) continue;
        if (mayEnd && !mayEnd(way.to, l + 1)) continue;
        to.push(of(way.to));
        role.push(way.role);
        gain.push(way.gain);
        done.push(way.done);
        gifts.push(way.gifts);
      }
      if (to.length > most) return null;
      from.push(to.length);
    }
    layers[l + 2] = states.length;
  }
  return { layers, states, from, to, role, gain, done, gifts };
}

/** What of it can still end well; the arcs to the last states carry what the end brings. */
function alive(
  contender: number,
  units: readonly Unit[],
  reached: Reached,
  endings: readonly (Ending | null)[],
): LayeredGraph {
  const { layers } = reached;
  const last = layers[units.length]!;
  const { lives, kept } = livesOf(reached, last, endings);
  const offset = new Int32Array(units.length + 1);
  const numbers = new Int32Array(last);
  let count = 0;
  for (let l = 0; l < units.length; l++) {
    offset[l] = count;
    for (let s = layers[l]!; s < layers[l + 1]!; s++) if (lives[s] === 1) numbers[s] = count++;
  }
  offset[units.length] = count;
  const layered: LayeredGraph = {
    contender,
    units,
    offset,
    from: new Int32Array(count + 1),
    to: new Int32Array(kept),
    role: new Int32Array(kept),
    gain: new Float64Array(kept),
    done: new Float64Array(kept),
    gifts: new Float64Array(kept),
  };
  let a = 0;
  for (let s = 0; s < last; s++) {
    if (lives[s] === 0) continue;
    for (let arc = reached.from[s]!; arc < reached.from[s + 1]!; arc++) {
      const to = reached.to[arc]!;
      if (lives[to] === 0) continue;
      const ending = to < last ? null : endings[to - last]!;
      layered.to[a] = ending ? count : numbers[to]!;
      layered.role[a] = reached.role[arc]!;
      layered.gain[a] = reached.gain[arc]! + (ending?.gain ?? 0);
      layered.done[a] = reached.done[arc]! + (ending?.done ?? 0);
      layered.gifts[a] = reached.gifts[arc]! + (ending?.gifts ?? 0);
      a += 1;
    }
    layered.from[numbers[s]! + 1] = a;
  }
  return layered;
}

/** Which states can still end well, and how many arcs lead from one such to another. */
function livesOf(
  { from, to, states }: Reached,
  last: number,
  endings: readonly (Ending | null)[],
): { lives: Uint8Array; kept: number } {
  const lives = new Uint8Array(states.length);
  endings.forEach((ending, i) => {
    lives[last + i] = ending ? 1 : 0;
  });
  let kept = 0;
  for (let s = last - 1; s >= 0; s--) {
    for (let arc = from[s]!; arc < from[s + 1]!; arc++) {
      if (lives[to[arc]!] === 0) continue;
      lives[s] = 1;
      kept += 1;
    }
  }
  return { lives, kept };
}
