import {
  done,
  failed,
  may,
  type Outcome,
  type Person,
  sees,
  type WaitingPrices,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { changedPrices } from '../../core/consequences/index.ts';
import { changedDeal } from '../../core/deal-consequences/index.ts';
import { formatAmount } from '../../core/money/index.ts';
import { type PromotionDocument, readPromotion } from '../../core/plan/index.ts';
import { apply, type BasketOfferPromotion, type CompiledPlan } from '../../core/price-book/index.ts';
import { seenBy, withFreeOf } from '../people/index.ts';
import type { CurrentPlan, PlanBook, PromotionStore } from '../ports/index.ts';
import { changedPriceViews } from './changed-price-view.ts';

/** What the change of a promotion that waits makes of prices in one store, beside what stands. */
export async function reviewWaitingPrices(
  ports: { book: PlanBook; promotions: PromotionStore },
  person: Person,
  { id, store }: { id: string; store: string },
  now: Instant,
): Promise<Outcome<WaitingPrices>> {
  if (!may(person, 'see') || !sees(person, store)) return failed({ kind: 'forbidden' });
  const found = person.stores === null ? await ports.promotions.find(id) : null;
  const document = found?.proposal?.document;
  if (!found || !document)
    return failed({ kind: 'not-found', what: `a change of promotion ${id} that waits` });
  const current = await seenBy(ports.book, person);
  const change = { ...withFreeOf(document, found.promotion), status: found.promotion.status };
  return done(
    change.offer.kind === 'priceChange'
      ? ofPrices(current, found.promotion, change, store, now)
      : ofBaskets(current, found.promotion, change, store),
  );
}

const approved = (promotion: PromotionDocument, { plan }: CompiledPlan) => ({
  ...readPromotion(promotion, plan.currency),
  status: 'approved' as const,
});

/** The store that is asked about where either form counts there, else the first in which one does. */
function storeOf(plans: readonly CompiledPlan[], id: string, prefer: string): string {
  const stores = plans.flatMap((plan) => {
    const change = plan.changes.find(({ promotion }) => promotion.id === id);
    return change ? [...change.stores()] : [];
  });
  return stores.includes(prefer) ? prefer : (stores[0] ?? prefer);
}

function ofPrices(
  { compiled, document }: CurrentPlan,
  standing: PromotionDocument,
  change: PromotionDocument,
  prefer: string,
  now: Instant,
): WaitingPrices {
  // Both as if they were approved: of what is paused, the change alone is told, and not that it is switched on.
  const [before, after] = [standing, change].map(
    (form) => apply(compiled, { kind: 'put-promotion', promotion: approved(form, compiled) }).compiled,
  ) as [CompiledPlan, CompiledPlan];
  const store = storeOf([before, after], change.id, prefer);
  const all = changedPrices(before, after, store, now, {
    promotions: new Set([change.id]),
    items: new Set(),
  });
  const names = new Map(document.promotions.map(({ id, name }) => [id, name]));
  const place = compiled.stores.get(store)!;
  const prices = changedPriceViews(all, {
    currency: compiled.plan.currency,
    clock: compiled.clockOf(place),
    now,
    nameOf: (id) => names.get(id) ?? id,
  });
  return { store, storeName: place.name, total: all.length, prices, baskets: [] };
}

function ofBaskets(
  { compiled, document }: CurrentPlan,
  standing: PromotionDocument,
  change: PromotionDocument,
  prefer: string,
): WaitingPrices {
  const [before, after] = [standing, change].map((form) => approved(form, compiled) as BasketOfferPromotion);
  const changed = changedDeal(compiled, before!, after!, prefer);
  const store = changed?.store ?? prefer;
  const nameOf = new Map(document.items.map(({ sku, name }) => [sku, name]));
  return {
    store,
    storeName: compiled.stores.get(store)!.name,
    total: 0,
    prices: [],
    baskets: (changed?.baskets ?? []).map(({ lines, before: was, after: is }) => ({
      words: lines.map(({ sku, quantity }) => `${quantity} ${nameOf.get(sku) ?? sku}`).join(', '),
      before: formatAmount(was, compiled.plan.currency),
      after: formatAmount(is, compiled.plan.currency),
    })),
  };
}
