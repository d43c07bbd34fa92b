import type { Plan, Promotion } from '../plan/index.ts';
import type { PriceChangePromotion } from '../tag-price/index.ts';
import { type BasketOfferPromotion, type CompiledOffer, compileOffer } from './compiled-offer.ts';
import { type CompiledChange, type CompiledPlan, compileChange, needsWide } from './compiled-plan.ts';
import { groundsOf } from './ground.ts';
import { shelves } from './shelf.ts';

export type PlanChange =
  | { readonly kind: 'put-promotion'; readonly promotion: Promotion }
  | { readonly kind: 'drop-promotion'; readonly id: string };

/** The cells whose price may differ after a change: every one of these items at every one of these stores. */
export interface Touched {
  readonly items: readonly number[];
  readonly stores: readonly string[];
}

/** A plan with one change made. All that the change does not concern is shared with the plan before. */
export function apply(
  compiled: CompiledPlan,
  change: PlanChange,
): { compiled: CompiledPlan; touched: Touched } {
  const id = change.kind === 'put-promotion' ? change.promotion.id : change.id;
  const others = compiled.plan.promotions.filter((promotion) => promotion.id !== id);
  const promotions = change.kind === 'put-promotion' ? [...others, change.promotion] : others;
  const plan = { ...compiled.plan, promotions };
  const before = compiled.changes.find(({ promotion }) => promotion.id === id);
  const after =
    change.kind === 'put-promotion' && isPriceChange(change.promotion)
      ? compileChange(change.promotion, plan, compiled.catalogue)
      : undefined;
  const rest = compiled.changes.filter((entry) => entry !== before);
  const changes = after ? [...rest, after].sort((a, b) => (a.promotion.id < b.promotion.id ? -1 : 1)) : rest;
  return {
    compiled: withGrounds({ ...compiled, plan, changes, offers: offersWith(compiled, change, plan) }),
    touched: touchedBy(compiled, [before, after]),
  };
}

/** What prices stand on stays, unless a new amount does not fit in it. */
function withGrounds(compiled: CompiledPlan): CompiledPlan {
  const { catalogue, grounds, changes, assortmentOf } = compiled;
  if (grounds.wide || !needsWide(grounds.largest, changes)) return compiled;
  const wide = groundsOf(catalogue, { orderOf: () => grounds.order, largest: grounds.largest, wide: true });
  return { ...compiled, grounds: wide, shelf: shelves(catalogue, wide, assortmentOf) };
}

function offersWith(compiled: CompiledPlan, change: PlanChange, plan: Plan): readonly CompiledOffer[] {
  const id = change.kind === 'put-promotion' ? change.promotion.id : change.id;
  const rest = compiled.offers.filter(({ promotion }) => promotion.id !== id);
  if (change.kind !== 'put-promotion' || isPriceChange(change.promotion)) return rest;
  const after = compileOffer(change.promotion as BasketOfferPromotion, plan, compiled.catalogue);
  return [...rest, after].sort((a, b) => (a.promotion.id < b.promotion.id ? -1 : 1));
}

const isPriceChange = (promotion: Promotion): promotion is PriceChangePromotion =>
  promotion.offer.kind === 'priceChange';

function touchedBy(compiled: CompiledPlan, changes: readonly (CompiledChange | undefined)[]): Touched {
  const real = changes.filter((change) => change !== undefined);
  const selected = (index: number) => real.some((change) => change.selection().mayHave(index));
  return {
    items: compiled.catalogue.items.map((_, index) => index).filter(selected),
    stores: [...new Set(real.flatMap((change) => [...change.stores()]))],
  };
}
