import type { Instant } from '../calendar/index.ts';
import type { Amounts, CompiledChange } from '../price-book/index.ts';

/**
 * How the tag prices of some goods go over a span, step by step: good by good, and of each one step after another,
 * without gaps. Held flat, as there are millions of them in a large chain.
 */
export interface TagStory {
  /** Numbers of the items in the catalogue. */
  readonly goods: Int32Array;
  /** Where the steps of each good begin; one more stands at the end. */
  readonly starts: Int32Array;
  /** When each step begins; it lasts until the next of its good, the last one until the end. */
  readonly since: Float64Array;
  readonly end: Instant;
  /** Minor units; `NO_PRICE` where it cannot be sold. */
  readonly prices: Amounts;
  /** The number of the change that sets it, in `changes`; -1: none does. */
  readonly winners: Int32Array;
  /** Which changes lower it on top, in the order in which they apply: a place in `tops`, of which the first is none. */
  readonly onTop: Int32Array;
  readonly tops: readonly (readonly number[])[];
  /** 1 where it is below the regular price. */
  readonly lowered: Uint8Array;
  readonly changes: readonly CompiledChange[];
}

/** When a step of a good ends. */
export const endOf = ({ starts, since, end }: TagStory, good: number, step: number): number =>
  step + 1 < starts[good + 1]! ? since[step + 1]! : end;

/** The step of a good at a moment; -1 where the story has not begun or is over. */
export function stepAt({ starts, since, end }: TagStory, good: number, at: number): number {
  let low = starts[good]!;
  let high = starts[good + 1]!;
  if (low === high || at < since[low]! || at >= end) return -1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (since[middle]! <= at) low = middle;
    else high = middle;
  }
  return low;
}
