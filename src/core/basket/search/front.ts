import type { Unit } from '../unit.ts';
import type { Layered } from './layered.ts';
import { EVEN, type Standing } from './ties.ts';

/** Which offer takes a unit, and in which role. */
export interface Taken {
  readonly unit: Unit;
  readonly offer: number;
  readonly role: number;
}

/** What is known between two units: the states of all offers together, each with the best way there. */
export interface Front {
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

export function emptyFront(offers: number, room: number, tied: boolean): Front {
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

export function startFront(offers: number, ahead: readonly Float64Array[]): Front {
  const front = emptyFront(offers, 1, true);
  front.standings[0] = EVEN;
  front.ahead[0] = ahead.reduce((sum, [first]) => sum + first!, 0);
  front.count = 1;
  return front;
}

/** Keeps the most promising; equal ones in the order in which they came. @returns the best of what was dropped. */
export function narrow(front: Front, width: number): number {
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

/** The way back from the end. */
export function trace(fronts: readonly Front[], units: readonly Unit[], offers: readonly Layered[]): Taken[] {
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
