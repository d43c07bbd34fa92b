import type { SpanEffect } from '../../contracts/index.ts';
import { askedThrough, firstMoment, shopperFor } from '../../core/consequences/index.ts';
import { dealConsequences } from '../../core/deal-consequences/index.ts';
import { formatAmount, minorUnits } from '../../core/money/index.ts';
import type { Promotion } from '../../core/plan/index.ts';
import {
  apply,
  type BasketOfferPromotion,
  book,
  type CompiledPlan,
  NO_PRICE,
  numbersOfItems,
} from '../../core/price-book/index.ts';

/**
 * What a promotion would do at its own first moment in one of its stores, in a plan in which all the others stand.
 * @param prefer the store to look at where it counts there.
 * @returns null where it counts in no store, or no moment of it comes.
 */
export function spanEffect(plan: CompiledPlan, draft: Promotion, prefer: string): SpanEffect | null {
  const approved = { ...draft, status: 'approved' as const };
  if (approved.offer.kind !== 'priceChange')
    return dealEffect(plan, approved as BasketOfferPromotion, prefer);
  const after = apply(plan, { kind: 'put-promotion', promotion: approved }).compiled;
  const before = apply(plan, { kind: 'drop-promotion', id: draft.id }).compiled;
  const change = after.changes.find(({ promotion }) => promotion.id === draft.id)!;
  const stores = change.stores();
  const id = stores.has(prefer) ? prefer : [...stores][0];
  const store = id === undefined ? undefined : after.stores.get(id);
  const at = store ? firstMoment(after, approved, store) : null;
  if (!store || at === null) return null;
  const through = askedThrough(after, approved, store.id);
  const row = (of: CompiledPlan) =>
    book(of, at, [store.id], numbersOfItems(change, after), shopperFor(approved), through).prices;
  const [was, is] = [row(before), row(after)];
  const effect = { up: 0, down: 0 };
  was.forEach((price, i) => {
    if (price === NO_PRICE || price === is[i]) return;
    if (is[i]! > price) effect.up++;
    else effect.down++;
  });
  return { kind: 'prices', ...effect, store: store.name };
}

/** A basket that shows it, with what else runs then. */
function dealEffect(plan: CompiledPlan, draft: BasketOfferPromotion, prefer: string): SpanEffect | null {
  const { lookedAt, steps } = dealConsequences(plan, draft, prefer);
  const step = steps.find(({ after, before }) => after < before) ?? steps[0];
  if (!lookedAt || !step) return null;
  const money = (amount: number) => formatAmount(minorUnits(amount), plan.plan.currency);
  const store = plan.stores.get(lookedAt.store)!.name;
  return { kind: 'basket', before: money(step.before), after: money(step.after), store };
}
