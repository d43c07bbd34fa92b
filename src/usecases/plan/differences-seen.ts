import { type Person, writingOf } from '../../contracts/index.ts';
import type { PlanDocument, PromotionDocument } from '../../core/plan/index.ts';
import { type Difference, differencesOf, namesOf } from '../../core/sentence/index.ts';

/** What two states of a promotion say otherwise, without what the person does not see. */
export function differencesSeen(
  before: PromotionDocument,
  after: PromotionDocument,
  document: PlanDocument,
  person: Person,
): Difference[] {
  const all = differencesOf(before, after, document.currency, namesOf(document, writingOf(person)));
  return person.costs ? all : all.filter(({ what }) => what !== 'Supplier terms');
}
