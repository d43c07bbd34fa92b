import type { MinorUnits } from '../money/index.ts';
import { apply, type BasketOfferPromotion, type CompiledPlan } from '../price-book/index.ts';
import { ringBasket } from '../receipt/index.ts';
import { dealConsequences } from './deal-consequences.ts';
import type { SampleBasket } from './sample-baskets.ts';

/** Baskets that show a deal as it stands and as it would be, each rung with both. */
export interface ChangedDeal {
  readonly store: string;
  readonly baskets: readonly {
    readonly lines: SampleBasket['lines'];
    readonly before: MinorUnits;
    readonly after: MinorUnits;
  }[];
}

/**
 * What another form of a deal makes of the baskets that show the two of them, with nothing else beside it. Each is rung
 * at the first moment of the form that it shows, for a shopper whom that is for.
 * @param compiled the plan in which the deal stands.
 * @param prefer the store to look at where the deal counts there.
 * @returns null where it counts nowhere in either form.
 */
export function changedDeal(
  compiled: CompiledPlan,
  standing: BasketOfferPromotion,
  change: BasketOfferPromotion,
  prefer: string,
): ChangedDeal | null {
  const forms = [change, standing].map((form) => ({ ...form, status: 'approved' as const }));
  const plans = forms.map((promotion) => alone(compiled, promotion));
  const shown = forms.map((form) => dealConsequences(compiled, form, prefer));
  const lookedAt = shown.find((one) => one.lookedAt !== null)?.lookedAt;
  if (!lookedAt) return null;
  const baskets = shown.flatMap(({ trial, steps }) =>
    steps.map(({ lines }) => {
      const basket = {
        ...trial!.circumstances,
        lines: lines.map(({ sku, quantity }) => ({ sku, thousandths: quantity * 1_000 })),
      };
      const [after, before] = plans.map((plan) => ringBasket(plan, basket, null, { nearly: false }).total);
      return { lines, before: before as MinorUnits, after: after as MinorUnits };
    }),
  );
  return { store: lookedAt.store, baskets: differing(baskets) };
}

function alone(compiled: CompiledPlan, promotion: BasketOfferPromotion): CompiledPlan {
  const { compiled: plan } = apply(compiled, { kind: 'put-promotion', promotion });
  return { ...plan, offers: plan.offers.filter((offer) => offer.promotion.id === promotion.id) };
}

/** Each basket once, those that come to something else first. */
function differing(baskets: ChangedDeal['baskets']): ChangedDeal['baskets'] {
  const byLines = new Map(baskets.map((basket) => [JSON.stringify(basket.lines), basket]));
  return [...byLines.values()].toSorted(
    (a, b) => Math.abs(b.after - b.before) - Math.abs(a.after - a.before),
  );
}
