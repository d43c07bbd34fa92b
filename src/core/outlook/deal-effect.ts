import { dealConsequences } from '../deal-consequences/index.ts';
import type { BasketOfferPromotion, CompiledPlan } from '../price-book/index.ts';

/** What a deal makes of what its goods cost at their tags, as in the baskets by which it is judged. */
export interface DealEffect {
  /** What is paid of a tag by whoever buys by the deal, from 0 to 1. */
  readonly pays: number;
  /** What gifts cost, as a share of the tags. */
  readonly gifts: number;
}

const NONE: DealEffect = { pays: 1, gifts: 0 };

/** The mean over the baskets that the deal gives something for; nothing where it gives none. */
export function dealEffect(compiled: CompiledPlan, deal: BasketOfferPromotion): DealEffect {
  const { steps } = dealConsequences(compiled, deal, null);
  const given = steps.filter(
    ({ before, after, split }) => before > 0 && (after < before || split?.some(({ gift }) => gift)),
  );
  if (given.length === 0) return NONE;
  const mean = (of: (step: (typeof given)[number]) => number) =>
    given.reduce((sum, step) => sum + of(step), 0) / given.length;
  const costOf = (sku: string) => compiled.catalogue.items[compiled.catalogue.indexOf.get(sku)!]?.cost ?? 0;
  return {
    pays: mean(({ before, after }) => after / before),
    gifts: mean(
      ({ before, split }) =>
        (split ?? []).reduce((sum, { sku, gift }) => sum + (gift ? costOf(sku) : 0), 0) / before,
    ),
  };
}
