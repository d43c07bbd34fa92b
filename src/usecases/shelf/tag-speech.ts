import type { PlanDocument } from '../../core/plan/index.ts';
import { namesOf } from '../../core/sentence/index.ts';
import { type OffShelf, type TagSpeech, tagText } from '../../core/shelf-tags/index.ts';
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

/** What a tag says that must come off, in short: "9.00, was 10.00". */
export function saidOff({ said, ...place }: OffShelf, speech: TagSpeech): string {
  const bare = { edition: '', unitPrice: null, lowestBefore: null, ends: new Map() };
  const { price, was } = tagText({ ...said, ...place, ...bare }, speech);
  return [price.whole + price.decimals, was].filter((words) => words !== null).join(', ');
}
