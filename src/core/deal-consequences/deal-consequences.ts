import type { Instant } from '../calendar/index.ts';
import { firstMoment } from '../consequences/index.ts';
import { apply, type BasketOfferPromotion, type CompiledPlan } from '../price-book/index.ts';
import type { Basket } from '../receipt/index.ts';
import { ringingOf } from '../receipt/index.ts';
import { dealGoods } from './deal-goods.ts';
import { type DealStep, dealStep } from './deal-steps.ts';
import { type DealWarning, dealWarnings } from './deal-warnings.ts';
import { fittingBasket } from './fitting-basket.ts';
import { type Rival, rivalsOf } from './rivals.ts';
import { sampleBaskets } from './sample-baskets.ts';

/** What a deal over the basket does, looked at in one store at its first live moment. */
export interface DealConsequences {
  readonly stores: readonly string[];
  /** Null where no store is in it, or no moment of it comes. */
  readonly lookedAt: { readonly store: string; readonly at: Instant } | null;
  /** How many goods the store sells of each part. */
  readonly items: readonly number[];
  readonly steps: readonly DealStep[];
  readonly rivals: readonly Rival[];
  readonly warnings: readonly DealWarning[];
  /** The plan with the deal switched on, and a basket without goods that fits it: what a trial receipt is rung with. */
  readonly trial: { readonly compiled: CompiledPlan; readonly circumstances: Basket } | null;
}

/**
 * What a draft of a deal would do if it were approved.
 * @param prefer the store to look at where the draft counts there.
 */
export function dealConsequences(
  compiled: CompiledPlan,
  draft: BasketOfferPromotion,
  prefer: string | null,
): DealConsequences {
  const promotion: BasketOfferPromotion = { ...draft, status: 'approved' };
  const after = apply(compiled, { kind: 'put-promotion', promotion }).compiled;
  const deal = after.offers.find(({ promotion: { id } }) => id === draft.id)!;
  const stores = compiled.plan.stores.map(({ id }) => id).filter((id) => deal.stores().has(id));
  const store = compiled.stores.get(prefer !== null && stores.includes(prefer) ? prefer : (stores[0] ?? ''));
  const at = store ? firstMoment(compiled, promotion, store) : null;
  if (!store || at === null)
    return { stores, lookedAt: null, items: [], steps: [], rivals: [], warnings: [], trial: null };
  const circumstances = fittingBasket(after, promotion, store, at);
  const { situation } = ringingOf(after, circumstances).ringing;
  const parts = dealGoods(after, deal, situation);
  const alone: CompiledPlan = { ...after, offers: [deal] };
  const steps = sampleBaskets(promotion, parts).map((sample) =>
    dealStep(alone, promotion, circumstances, sample),
  );
  return {
    stores,
    lookedAt: { store: store.id, at },
    items: parts.map((goods) => goods.length),
    steps,
    rivals: rivalsOf(after, deal, situation, parts),
    warnings: dealWarnings({ compiled: after, deal, situation, stores, parts, steps }),
    trial: { compiled: after, circumstances },
  };
}
