/** States up to here are found in an array; the few automata that number further use a map. */
const IN_ARRAY = 1 << 16;

/** Numbers for the states of an automaton, layer by layer, in the order in which they turn up. */
export interface StateNumbers {
  /** The states met so far, all layers one after the other. */
  readonly states: readonly number[];
  /** Begins a layer: states met before are new again. */
  nextLayer(): void;
  /** The number of a state of the layer at hand. */
  of(state: number): number;
}

export function stateNumbers(): StateNumbers {
  const states: number[] = [];
  let low = new Int32Array(64).fill(-1);
  const high = new Map<number, number>();
  let first = 0;
  const add = (state: number): number => states.push(state) - 1;
  const inMap = (state: number): number => {
    const known = high.get(state);
    if (known !== undefined && known >= first) return known;
    const number = add(state);
    high.set(state, number);
    return number;
  };
  return {
    states,
    nextLayer() {
      first = states.length;
    },
    of(state) {
      if (state >= IN_ARRAY) return inMap(state);
      if (state >= low.length) low = longer(low, state);
      const known = low[state]!;
      // A number from a layer before this one is out of date.
      if (known >= first) return known;
      const number = add(state);
      low[state] = number;
      return number;
    },
  };
}

function longer(numbers: Int32Array<ArrayBuffer>, state: number): Int32Array<ArrayBuffer> {
  let length = numbers.length;
  while (length <= state) length *= 2;
  const next = new Int32Array(length).fill(-1);
  next.set(numbers);
  return next;
}
