import { type Person, type PromotionSummary, writingOf } from '../../contracts/index.ts';
import { storesOf } from '../../core/selection/index.ts';
import { namesOf, promotionText } from '../../core/sentence/index.ts';
import { seenOf, seenPromotion } from '../people/index.ts';
import type { PlanBook, PromotionStore } from '../ports/index.ts';
import { waitingView } from './waiting-view.ts';

/**
 * Every promotion with its sentence, by start; of a store's own people only those of their stores.
 * @param among ids of stores: only promotions that count in one of them. Null: all.
 */
export async function listPromotions(
  ports: { book: PlanBook; promotions: PromotionStore },
  person: Person,
  among: readonly string[] | null = null,
): Promise<PromotionSummary[]> {
  const whole = await ports.book.current();
  const { document, compiled } = seenOf(whole, person);
  const names = namesOf(document, writingOf(person));
  const all = await ports.promotions.all();
  return all.flatMap(({ promotion: kept, revision, proposal }) => {
    const promotion = seenPromotion(kept, whole.compiled, person);
    if (!promotion) return [];
    const stores = storesOf(promotion.where ?? { all: true }, compiled.plan);
    if (among && !among.some((store) => stores.has(store))) return [];
    return [
      {
        id: promotion.id,
        name: promotion.name,
        status: promotion.status,
        kind: promotion.offer.kind,
        sentence: promotionText(promotion, document.currency, names),
        from: promotion.when.from,
        to: promotion.when.to ?? null,
        priority: promotion.priority ?? 100,
        stores: stores.size,
        revision,
        // What is not decided yet is the planners' matter.
        waiting: person.stores === null ? waitingView(proposal, person) : null,
      },
    ];
  });
}
