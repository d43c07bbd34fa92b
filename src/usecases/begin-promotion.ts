import { type PromotionDocument, shiftWhen, weeksUntilAfter } from '../core/plan/index.ts';
import type { TemplateStore } from './draft-store.ts';
import type { PlanBook, PromotionStore } from './plan-store.ts';

/**
 * What a new promotion begins with: a copy of another, or a template, with the same weekdays and hours in the
 * first weeks to come; or some goods.
 * @returns null where the address asks for nothing, or for something that is not there.
 */
export async function beginPromotion(
  ports: { book: PlanBook; promotions: PromotionStore; templates: TemplateStore },
  asked: { readonly copy?: string; readonly template?: string },
  now: string,
): Promise<PromotionDocument | null> {
  const found = asked.copy
    ? (await ports.promotions.find(asked.copy))?.promotion
    : (await ports.templates.all()).find(({ id }) => String(id) === asked.template)?.promotion;
  if (!found) return null;
  const days = 7 * weeksUntilAfter(found.when, now);
  return { ...found, id: '', status: 'draft', when: shiftWhen(found.when, days) };
}
