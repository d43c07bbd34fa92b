import type { Beam } from './beam.ts';
import { byStanding, type Standing } from './tie-break.ts';

/** A way from one combination of states over a unit. */
export interface Way {
  parent: number;
  /** Which of the readers takes the unit, and its state then; -1: all skip it. */
  taker: number;
  takenTo: number;
  value: number;
  /** What can still be gained after it. */
  left: number;
  /** Index among the contenders of the one that takes the unit, and its role. */
  contender: number;
  role: number;
  standing: Standing;
}

/**
 * Finds equal combinations of states, and keeps the better way to each.
 * @param skipTo where each reader goes that skips the unit.
 */
export function stateTable(
  beam: Beam,
  next: Beam,
  room: number,
  readers: readonly number[],
  skipTo: Int32Array,
  tied: boolean,
): { put(way: Way): void } {
  let size = 16;
  while (size < room * 2) size *= 2;
  const slots = new Int32Array(size).fill(-1);
  const { width, states } = next;
  const write = (to: number, way: Way): void => {
    next.value[to] = way.value;
    next.ahead[to] = way.left;
    next.parent[to] = way.parent;
    next.contender[to] = way.contender;
    next.role[to] = way.role;
    if (tied) next.standings[to] = way.standing;
  };
  const isBetter = ({ value, standing }: Way, than: number): boolean =>
    value > next.value[than]! ||
    (tied && value === next.value[than] && byStanding(standing, next.standings[than]!) < 0);
  return {
    put(way) {
      const at = next.count * width;
      states.set(beam.states.subarray(way.parent * width, (way.parent + 1) * width), at);
      for (let r = 0; r < readers.length; r++)
        states[at + readers[r]!] = r === way.taker ? way.takenTo : skipTo[r]!;
      let hash = 0;
      for (let o = 0; o < width; o++) hash = Math.imul(hash ^ states[at + o]!, 0x9e3779b1) + (hash >>> 15);
      let slot = (hash >>> 0) & (size - 1);
      for (; slots[slot]! >= 0; slot = (slot + 1) & (size - 1)) {
        const other = slots[slot]!;
        let same = true;
        for (let o = 0; same && o < width; o++) same = states[at + o] === states[other * width + o];
        if (!same) continue;
        if (isBetter(way, other)) write(other, way);
        return;
      }
      slots[slot] = next.count;
      write(next.count, way);
      next.count += 1;
    },
  };
}
