import { may, type Person } from '../../contracts/index.ts';
import { type PromotionDocument, shiftWhen, weeksUntilAfter } from '../../core/plan/index.ts';
import { seenPromotion } from '../people/index.ts';
import type { PlanBook, PromotionStore, TemplateStore } from '../ports/index.ts';

/**
 * What a new promotion begins with: a copy of another, or a template, with the same weekdays and hours in the
 * first weeks to come; or some goods.
 * @returns null where the address asks for nothing, or for something that is not there.
 */
export async function beginPromotion(
  ports: { book: PlanBook; promotions: PromotionStore; templates: TemplateStore },
  person: Person,
  asked: { readonly copy?: string; readonly template?: string },
  now: string,
): Promise<PromotionDocument | null> {
  const found = asked.copy
    ? (await ports.promotions.find(asked.copy))?.promotion
    : (await ports.templates.all()).find(({ id }) => String(id) === asked.template)?.promotion;
  const { compiled } = await ports.book.current();
  const seen = found && may(person, 'plan') ? seenPromotion(found, compiled, person) : null;
  if (!seen) return null;
  const days = 7 * weeksUntilAfter(seen.when, now);
  return { ...seen, id: '', status: 'draft', when: shiftWhen(seen.when, days) };
}
