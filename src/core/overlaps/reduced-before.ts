import { type CompiledChange, NO_PRICE } from '../price-book/index.ts';
import { endOf, stepAt, type TagStory } from '../tag-story/index.ts';
import type { Hit } from './hit.ts';
import { type Again, WITHIN } from './reductions.ts';

/**
 * `reduced-before`: the second reduces an item again within 30 days of the end of the first, in the same store. One
 * finding for each lowest tag price of the 30 days before, which is its `amount`, with the goods and stores it holds for.
 * @param agains the runs of each change in a story that begin so soon after others.
 */
export function reducedBefore(
  story: TagStory,
  agains: ReadonlyMap<CompiledChange, readonly Again[]>,
  { counts, goodsOf }: GoodsOfChanges,
  tell: (goods: readonly number[], hit: Omit<Hit, 'stores' | 'goods'>) => void,
): void {
  const numberOf = new Map(story.changes.map((change, number) => [change, number]));
  for (const [second, runs] of agains) {
    const number = numberOf.get(second);
    if (number === undefined || !counts(second)) continue;
    for (const { again, ended } of runs) {
      const reduced = goodsOf(second).filter((good) => lowers(story, good, again.from, number));
      if (reduced.length === 0) continue;
      for (const [first, end] of ended) {
        if (!counts(first)) continue;
        const promotions = [first.promotion.id, second.promotion.id];
        for (const [amount, goods] of byLowest(
          story,
          reduced,
          { number: numberOf.get(first)!, end },
          again.from,
        ))
          tell(goods, { owner: second, code: 'reduced-before', promotions, ...again, amount });
      }
    }
  }
}

/** Of the changes in a story which count, and what they select. */
export interface GoodsOfChanges {
  counts(change: CompiledChange): boolean;
  /** Places of goods in the story. */
  goodsOf(change: CompiledChange): Int32Array;
}

/** Those of some goods that a change had lowered at its end, by their lowest price of the thirty days before. */
function byLowest(
  story: TagStory,
  goods: Int32Array,
  { number, end }: { readonly number: number; readonly end: number },
  again: number,
): ReadonlyMap<number, readonly number[]> {
  const found = new Map<number, number[]>();
  for (const good of goods) {
    if (!lowers(story, good, end - 1, number)) continue;
    const lowest = lowestIn(story, good, Math.min(end - 1, again - WITHIN), again);
    if (lowest === null) continue;
    const list = found.get(lowest);
    if (list) list.push(good);
    else found.set(lowest, [good]);
  }
  return found;
}

/** Whether a change is at work on the tag price of a good at a moment, and that is below the regular price. */
function lowers(story: TagStory, good: number, at: number, change: number): boolean {
  const step = stepAt(story, good, at);
  if (step === -1 || story.lowered[step] === 0) return false;
  return story.winners[step] === change || story.tops[story.onTop[step]!]!.includes(change);
}

/** The lowest tag price between two moments; of what began before only what lasts into the thirty days counts. */
function lowestIn(story: TagStory, good: number, from: number, until: number): number | null {
  let lowest: number | null = null;
  const first = Math.max(stepAt(story, good, from), story.starts[good]!);
  for (let step = first; step < story.starts[good + 1]! && story.since[step]! < until; step++) {
    const price = story.prices[step]!;
    if (price === NO_PRICE || endOf(story, good, step) <= until - WITHIN) continue;
    if (lowest === null || price < lowest) lowest = price;
  }
  return lowest;
}
