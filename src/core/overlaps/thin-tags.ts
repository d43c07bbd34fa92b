import type { Instant } from '../calendar/index.ts';
import { costUnder } from '../consequences/index.ts';
import { type CompiledChange, NO_PRICE } from '../price-book/index.ts';
import { endOf, type TagStory } from '../tag-story/index.ts';
import type { Hit } from './hit.ts';
import type { Scope } from './scope.ts';
import { leastPrice, shortfall } from './thin-margin.ts';

/** Under which price of each good it is worth to look closer: a quick word for nearly all of them. */
export function thinUnder(
  scope: Scope,
  goods: Int32Array,
  asking: ReadonlySet<CompiledChange>,
): Float64Array {
  const { catalogue, plan } = scope.compiled;
  const terms = [...asking].flatMap(({ promotion: { supplier } }) => (supplier ? [supplier] : []));
  return Float64Array.from(goods, (index) => {
    const item = catalogue.items[index]!;
    const costs = [null, ...terms].map((supplier) => costUnder(supplier, item));
    return Math.max(...costs.map((cost) => (cost === null ? 0 : leastPrice(cost, plan.policy.marginFloor))));
  });
}

/**
 * `below-cost` and `below-floor`: tag prices that a change sets, alone or with some on top, or lowers from the base. What
 * comes out most is told: `amount` is by how much.
 * @param asking the changes that are looked at.
 * @param under {@link thinUnder} of the goods of the story.
 */
export function thinTags(
  scope: Scope,
  story: TagStory,
  asking: ReadonlySet<CompiledChange>,
  under: Float64Array,
  tell: (goods: readonly number[], hit: Omit<Hit, 'stores' | 'goods'>) => void,
): void {
  const { compiled, span } = scope;
  const { marginFloor } = compiled.plan.policy;
  for (let good = 0; good < story.goods.length; good++) {
    const item = compiled.catalogue.items[story.goods[good]!]!;
    const [first, end] = [story.starts[good]!, story.starts[good + 1]!];
    for (let step = first; step < end; step++) {
      const price = story.prices[step]!;
      if (price >= under[good]! || price === NO_PRICE || story.since[step]! >= span.to) continue;
      const made = makersOf(story, step);
      const owner = story.changes[made[0]!];
      if (!owner || !asking.has(owner)) continue;
      const cost = costUnder(owner.promotion.supplier, item);
      const short = cost === null ? null : shortfall(price, cost, marginFloor);
      const to = Math.min(endOf(story, good, step), span.to) as Instant;
      if (!short || to <= span.from) continue;
      tell([good], {
        ...{ owner, ...short, to },
        promotions: made.map((number) => story.changes[number]!.promotion.id),
        from: Math.max(story.since[step]!, span.from) as Instant,
      });
    }
  }
}

/** Who makes the price of a step: what sets it, then all on top. Of several on top of the base the first answers for it. */
function makersOf({ winners, onTop, tops }: TagStory, step: number): readonly number[] {
  const winner = winners[step]!;
  const applied = tops[onTop[step]!]!;
  return winner === -1 ? applied : [winner, ...applied];
}
