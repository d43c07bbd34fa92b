import type { PlanDocument } from '../../core/plan/index.ts';
import { namesOf } from '../../core/sentence/index.ts';
import type { TagSpeech } from '../../core/shelf-tags/index.ts';
import { HOUSE_WRITING, type Writing } from '../../core/writing/index.ts';
import type { CurrentPlan } from '../ports/index.ts';

/** How tags speak: of what is in a plan, to shoppers in the language of the house. */
export function tagSpeech(
  { document, compiled }: CurrentPlan,
  tellsLowest: boolean,
  writing: Writing = HOUSE_WRITING,
): TagSpeech & { nameOf(promotion: string): string } {
  const promotions = new Map<string, PlanDocument['promotions'][number]>(
    document.promotions.map((promotion) => [promotion.id, promotion]),
  );
  return {
    ...{ currency: compiled.plan.currency, names: namesOf(document, writing) },
    ...{ language: HOUSE_WRITING.language, tellsLowest },
    promotion: (id) => promotions.get(id),
    nameOf: (id) => promotions.get(id)?.name ?? id,
  };
}
