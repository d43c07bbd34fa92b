import type { Instant } from '../calendar/index.ts';
import { type CompiledChange, NO_PRICE, type PriceStep } from '../price-book/index.ts';
import { stepLog } from './step-log.ts';
import type { TagStory } from './story.ts';

/** The steps of one item, as they were told by its timeline, as a story. */
export function storyOfSteps(
  index: number,
  steps: readonly PriceStep[],
  changes: readonly CompiledChange[],
): TagStory {
  const numberOf = new Map(changes.map(({ promotion }, number) => [promotion.id, number]));
  const log = stepLog(1);
  for (const { from, price, regular, promotion, onTop } of steps) {
    const applied = log.listed(onTop.map((id) => numberOf.get(id)!));
    if (price === null) log.note(0, from, NO_PRICE, -1, 0, false);
    else
      log.note(0, from, price, promotion === null ? -1 : numberOf.get(promotion)!, applied, price < regular!);
  }
  const end = (steps.at(-1)?.to ?? 0) as Instant;
  return log.told({ goods: Int32Array.of(index), end, changes, like: new Float64Array() });
}
