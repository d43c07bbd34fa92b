import type { Instant } from '../calendar/index.ts';
import type { Amounts, CompiledChange } from '../price-book/index.ts';
import type { TagStory } from './story.ts';

/** Steps as they happen, of all goods among each other, to be told good by good in the end. */
export interface StepLog {
  /** The place of a list of changes on top. */
  listed(applied: readonly number[]): number;
  /** Notes a step unless the good stands as it did. */
  note(good: number, moment: number, price: number, winner: number, onTop: number, lowered: boolean): void;
  told(of: { goods: Int32Array; end: Instant; changes: readonly CompiledChange[]; like: Amounts }): TagStory;
}

const FIRST_ROOM = 4_096;

export function stepLog(goods: number): StepLog {
  const last = new Int32Array(goods).fill(-1);
  const tops: (readonly number[])[] = [[]];
  const placeOf = new Map<string, number>([['', 0]]);
  let room = FIRST_ROOM;
  let count = 0;
  let of = new Int32Array(room);
  let since = new Float64Array(room);
  let prices = new Float64Array(room);
  let winners = new Int32Array(room);
  let onTops = new Int32Array(room);
  let low = new Uint8Array(room);
  const grow = (): void => {
    room *= 2;
    of = grown(of, new Int32Array(room));
    since = grown(since, new Float64Array(room));
    prices = grown(prices, new Float64Array(room));
    winners = grown(winners, new Int32Array(room));
    onTops = grown(onTops, new Int32Array(room));
    low = grown(low, new Uint8Array(room));
  };
  return {
    listed(applied) {
      if (applied.length === 0) return 0;
      const key = applied.join();
      const found = placeOf.get(key) ?? tops.push([...applied]) - 1;
      placeOf.set(key, found);
      return found;
    },
    note(good, moment, price, winner, onTop, lowered) {
      const before = last[good]!;
      if (
        before !== -1 &&
        prices[before] === price &&
        winners[before] === winner &&
        onTops[before] === onTop &&
        low[before] === (lowered ? 1 : 0)
      )
        return;
      if (count === room) grow();
      of[count] = good;
      since[count] = moment;
      prices[count] = price;
      winners[count] = winner;
      onTops[count] = onTop;
      low[count] = lowered ? 1 : 0;
      last[good] = count++;
    },
    told({ goods: numbers, end, changes, like }) {
      const starts = new Int32Array(goods + 1);
      for (let i = 0; i < count; i++) starts[of[i]! + 1]! += 1;
      for (let good = 0; good < goods; good++) starts[good + 1]! += starts[good]!;
      const next = starts.slice();
      const story = {
        ...{ goods: numbers, starts, end, changes, tops },
        since: new Float64Array(count),
        prices: like instanceof Int32Array ? new Int32Array(count) : new Float64Array(count),
        winners: new Int32Array(count),
        onTop: new Int32Array(count),
        lowered: new Uint8Array(count),
      };
      for (let i = 0; i < count; i++) {
        const at = next[of[i]!]!++;
        story.since[at] = since[i]!;
        story.prices[at] = prices[i]!;
        story.winners[at] = winners[i]!;
        story.onTop[at] = onTops[i]!;
        story.lowered[at] = low[i]!;
      }
      return story;
    },
  };
}

function grown<T extends Int32Array | Float64Array | Uint8Array>(from: T, into: T): T {
  into.set(from);
  return into;
}
