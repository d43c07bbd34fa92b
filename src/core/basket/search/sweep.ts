import type { Unit } from '../unit.ts';
import { gainsAhead, type UnitPrices } from './best-run.ts';
import { type Layered, SKIP } from './layered.ts';
import { after, byStanding, EVEN, finished, type Standing, type TieWeights } from './ties.ts';

/** Which offer takes a unit, and in which role. */
export interface Taken {
  readonly unit: Unit;
  readonly offer: number;
  readonly role: number;
}

export interface SweepResult {
  /** The most saving that was found; null: nothing at or above the threshold. */
  readonly saving: number | null;
  readonly taken: readonly Taken[];
  readonly standing: Standing;
  /** The largest bound among what was dropped for want of room; below every saving where nothing was. */
  readonly dropped: number;
}

export interface SweepSearch {
  readonly offers: readonly Layered[];
  /** All units that any of the offers reads, in the order in which every one of them reads its own. */
  readonly units: readonly Unit[];
  readonly prices: UnitPrices;
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

/** What is known between two units: the states of all offers together, each with the best way there. */
interface Front {
  readonly width: number;
  readonly states: Int32Array;
  readonly value: Float64Array;
  /** What the offers can still gain from there, less unit prices. */
  readonly ahead: Float64Array;
  readonly parent: Int32Array;
  /** Index among the offers of the one that took the unit, and its role. */
  readonly offer: Int32Array;
  readonly role: Int32Array;
  readonly standings: Standing[];
  count: number;
}

/**
 * Goes through the units and keeps, for every combination of states that the offers can be in, the best way there. What
 * cannot reach the threshold any more is dropped; so is the least promising where there are too many.
 */
export function sweep(search: SweepSearch): SweepResult {
  const { offers, units, prices, threshold, width, ties, spend } = search;
  const ahead = offers.map((offer) => gainsAhead(offer, prices));
  const places = readersOf(offers);
  if (ahead.some(([first]) => first === Number.NEGATIVE_INFINITY))
    return { saving: null, taken: [], standing: EVEN, dropped: Number.NEGATIVE_INFINITY };
  let rest = units.reduce((sum, { position }) => sum + prices[position]!, 0);
  const fronts: Front[] = [startFront(offers.length, ahead)];
  let dropped = Number.NEGATIVE_INFINITY;
  for (const unit of units) {
    rest -= prices[unit.position]!;
    const front = fronts.at(-1)!;
    const readers = places.get(unit.position)!;
    const grown = grow(front, readers, offers, ahead, unit, threshold - rest - CLOSE, ties);
    if (!spend(grown.work)) {
      // What stood before this unit is all that is known: the rest is bounded, not found.
      for (let i = 0; i < front.count; i++)
        dropped = Math.max(dropped, front.value[i]! + front.ahead[i]! + rest + prices[unit.position]!);
      return { saving: null, taken: [], standing: EVEN, dropped };
    }
    const { next } = grown;
    if (next.count > width) dropped = Math.max(dropped, narrow(next, width) + rest);
    fronts.push(next);
    if (next.count === 0) return { saving: null, taken: [], standing: EVEN, dropped };
  }
  const last = fronts.at(-1)!;
  return {
    saving: last.value[0]!,
    taken: trace(fronts, units, offers),
    standing: ties ? last.standings[0]! : EVEN,
    dropped,
  };
}

/** For each position the indexes of the offers that read its unit. */
function readersOf(offers: readonly Layered[]): Map<number, number[]> {
  const places = new Map<number, number[]>();
  offers.forEach(({ units }, index) => {
    for (const { position } of units) {
      const here = places.get(position);
      if (here) here.push(index);
      else places.set(position, [index]);
    }
  });
  return places;
}

function emptyFront(offers: number, room: number, tied: boolean): Front {
  return {
    width: offers,
    states: new Int32Array(offers * room),
    value: new Float64Array(room),
    ahead: new Float64Array(room),
    parent: new Int32Array(room),
    offer: new Int32Array(room),
    role: new Int32Array(room),
    standings: tied ? new Array(room) : [],
    count: 0,
  };
}

function startFront(offers: number, ahead: readonly Float64Array[]): Front {
  const front = emptyFront(offers, 1, true);
  front.standings[0] = EVEN;
  front.ahead[0] = ahead.reduce((sum, [first]) => sum + first!, 0);
  front.count = 1;
  return front;
}

function grow(
  front: Front,
  readers: readonly number[],
  offers: readonly Layered[],
  ahead: readonly Float64Array[],
  unit: Unit,
  floor: number,
  ties: TieWeights | null,
): { next: Front; work: number } {
  const { width } = front;
  let room = 0;
  for (let i = 0; i < front.count; i++) {
    room += 1;
    for (const index of readers) {
      const { from } = offers[index]!;
      const state = front.states[i * width + index]!;
      room += from[state + 1]! - from[state]!;
    }
  }
  const next = emptyFront(width, room, ties !== null);
  const known = stateTable(next, room);
  const skipTo = new Int32Array(readers.length);
  const skipAhead = new Float64Array(readers.length);
  // A machine may end on a unit that it skips: the arc then carries what the end brings.
  const skipArc = new Int32Array(readers.length);
  const skipGain = new Float64Array(readers.length);
  for (let i = 0; i < front.count; i++) {
    const base = i * width;
    // All readers skip the unit, but at most one; where one cannot skip, only it can take it.
    let skipped = front.ahead[i]!;
    let stuck = -1;
    let impossible = false;
    let skippedGain = front.value[i]!;
    readers.forEach((index, r) => {
      const { from, to, role, gain } = offers[index]!;
      const state = front.states[base + index]!;
      skipped -= ahead[index]![state]!;
      const first = from[state]!;
      if (role[first] === SKIP && first < from[state + 1]!) {
        skipTo[r] = to[first]!;
        skipAhead[r] = ahead[index]![to[first]!]!;
        skipped += skipAhead[r]!;
        skipArc[r] = first;
        skipGain[r] = gain[first]!;
        skippedGain += gain[first]!;
      } else {
        impossible ||= stuck >= 0;
        stuck = r;
        skipTo[r] = -1;
        skipAhead[r] = 0;
        skipArc[r] = -1;
        skipGain[r] = 0;
      }
    });
    if (impossible) continue;
    const ended = (taker: number): Standing => {
      let so = front.standings[i]!;
      if (!ties) return so;
      readers.forEach((index, r) => {
        const arc = skipArc[r]!;
        if (r === taker || arc < 0) return;
        const { done, gifts } = offers[index]!;
        if (done[arc]! > 0) {
          const step = { done: done[arc]!, gifts: gifts[arc]! };
          so = finished(so, offers[index]!.offer, step, ties);
        }
      });
      return so;
    };
    if (stuck < 0 && skippedGain + skipped >= floor)
      known.put(front, i, readers, skipTo, -1, 0, skippedGain, skipped, -1, SKIP, ended(-1), ties);
    for (let r = 0; r < readers.length; r++) {
      if (stuck >= 0 && stuck !== r) continue;
      const index = readers[r]!;
      const { from, to, role, gain, done, gifts } = offers[index]!;
      const state = front.states[base + index]!;
      const others = skipped - skipAhead[r]!;
      const before = skippedGain - skipGain[r]!;
      const stood = ended(r);
      for (let a = from[state]!; a < from[state + 1]!; a++) {
        if (role[a] === SKIP) continue;
        const value = before + gain[a]!;
        const left = others + ahead[index]![to[a]!]!;
        if (value + left < floor) continue;
        const stands = ties
          ? after(stood, offers[index]!.offer, unit.position, { done: done[a]!, gifts: gifts[a]! }, ties)
          : stood;
        known.put(front, i, readers, skipTo, r, to[a]!, value, left, index, role[a]!, stands, ties);
      }
    }
  }
  return { next, work: room * (1 + readers.length) };
}

/** Finds equal combinations of states, and keeps the better way to each. */
function stateTable(next: Front, room: number) {
  let size = 16;
  while (size < room * 2) size *= 2;
  const slots = new Int32Array(size).fill(-1);
  const { width, states } = next;
  return {
    put(
      front: Front,
      parent: number,
      readers: readonly number[],
      skipTo: Int32Array,
      taker: number,
      takenTo: number,
      value: number,
      left: number,
      offer: number,
      role: number,
      standing: Standing,
      ties: TieWeights | null,
    ): void {
      const at = next.count * width;
      states.set(front.states.subarray(parent * width, (parent + 1) * width), at);
      readers.forEach((index, r) => {
        states[at + index] = r === taker ? takenTo : skipTo[r]!;
      });
      let hash = 0;
      for (let o = 0; o < width; o++) hash = Math.imul(hash ^ states[at + o]!, 0x9e3779b1) + (hash >>> 15);
      let slot = (hash >>> 0) & (size - 1);
      for (; slots[slot]! >= 0; slot = (slot + 1) & (size - 1)) {
        const other = slots[slot]!;
        let same = true;
        for (let o = 0; same && o < width; o++) same = states[at + o] === states[other * width + o];
        if (!same) continue;
        const better =
          value > next.value[other]! ||
          (ties !== null && value === next.value[other] && byStanding(standing, next.standings[other]!) < 0);
        if (better) write(other);
        return;
      }
      slots[slot] = next.count;
      write(next.count);
      next.count += 1;

      function write(to: number): void {
        next.value[to] = value;
        next.ahead[to] = left;
        next.parent[to] = parent;
        next.offer[to] = offer;
        next.role[to] = role;
        if (ties) next.standings[to] = standing;
      }
    },
  };
}

/** Keeps the most promising; equal ones in the order in which they came. @returns the best of what was dropped. */
function narrow(front: Front, width: number): number {
  const promise = (i: number) => front.value[i]! + front.ahead[i]!;
  const order = Array.from({ length: front.count }, (_, i) => i).sort(
    (a, b) => promise(b) - promise(a) || a - b,
  );
  const best = promise(order[width]!);
  const kept = order.slice(0, width);
  const states = front.states.slice();
  const copies = {
    value: front.value.slice(),
    ahead: front.ahead.slice(),
    parent: front.parent.slice(),
    offer: front.offer.slice(),
    role: front.role.slice(),
    standings: front.standings.slice(),
  };
  kept.forEach((from, to) => {
    front.states.set(states.subarray(from * front.width, (from + 1) * front.width), to * front.width);
    front.value[to] = copies.value[from]!;
    front.ahead[to] = copies.ahead[from]!;
    front.parent[to] = copies.parent[from]!;
    front.offer[to] = copies.offer[from]!;
    front.role[to] = copies.role[from]!;
    front.standings[to] = copies.standings[from]!;
  });
  front.count = width;
  return best;
}

function trace(fronts: readonly Front[], units: readonly Unit[], offers: readonly Layered[]): Taken[] {
  const taken: Taken[] = [];
  let at = 0;
  for (let f = units.length; f > 0; f--) {
    const front = fronts[f]!;
    const index = front.offer[at]!;
    if (index >= 0) taken.push({ unit: units[f - 1]!, offer: offers[index]!.offer, role: front.role[at]! });
    at = front.parent[at]!;
  }
  return taken.reverse();
}
