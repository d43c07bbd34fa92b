import { done, failed, type Outcome, type Person } from '../contracts/index.ts';
import type { HistoryEntry, PlanBook, PromotionStore, StoredPromotion } from './plan-store.ts';
import { seenPromotion } from './sight.ts';

/** One promotion with its revision and what happened to it. To a store's people those of other stores are not there. */
export async function openPromotion(
  ports: { book: PlanBook; promotions: PromotionStore },
  person: Person,
  id: string,
): Promise<Outcome<StoredPromotion & { history: readonly HistoryEntry[] }>> {
  const missing = failed({ kind: 'not-found', what: `promotion ${id}` });
  const found = await ports.promotions.find(id);
  if (!found) return missing;
  const { compiled } = await ports.book.current();
  const promotion = seenPromotion(found.promotion, compiled, person);
  if (!promotion) return missing;
  return done({ ...found, promotion, history: await ports.promotions.history(id) });
}
