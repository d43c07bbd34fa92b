/** A seeded stream of numbers in [0, 1): the same seed gives the same chain everywhere (mulberry32). */
export interface Seeded {
  next(): number;
  /** A whole number from `low` to `high`, both counted. */
  between(low: number, high: number): number;
  pick<T>(list: readonly T[]): T;
  chance(share: number): boolean;
}

export function seeded(seed: number): Seeded {
  let state = seed >>> 0;
  const stream: Seeded = {
    next() {
      state = (state + 0x6d2b79f5) >>> 0;
      let t = Math.imul(state ^ (state >>> 15), state | 1);
      t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
      return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
    },
    between: (low, high) => low + Math.floor(stream.next() * (high - low + 1)),
    pick: (list) => list[Math.floor(stream.next() * list.length)]!,
    chance: (share) => stream.next() < share,
  };
  return stream;
}
