import { firstMoment } from '../consequences/index.ts';
import { dealConsequences } from '../deal-consequences/index.ts';
import type { BasisPoints } from '../money/index.ts';
import type { Promotion, StoreDocument } from '../plan/index.ts';
import { apply, type BasketOfferPromotion, book, type CompiledPlan, NO_PRICE } from '../price-book/index.ts';
import { storesOf } from '../selection/index.ts';

/**
 * The greatest share of a price that a promotion takes off by itself, as if nothing ran beside it: of a regular price
 * in one of its stores, or of what a basket of a deal costs at the shelf.
 */
export function deepestCut(compiled: CompiledPlan, promotion: Promotion): BasisPoints {
  if (isDeal(promotion)) return cutOfDeal(compiled, promotion);
  // For whom and where in the store it counts does not matter to how deep it is.
  const open = { who: { kind: 'everyone' }, codes: [], codeBatches: false } as const;
  const anywhere = { channels: null, terminals: null } as const;
  return cutOfPrices(compiled, { ...promotion, ...open, ...anywhere, status: 'approved' });
}

const isDeal = (promotion: Promotion): promotion is BasketOfferPromotion =>
  promotion.offer.kind !== 'priceChange';

const shareOf = (off: number, of: number): BasisPoints =>
  Math.max(0, Math.ceil((off * 10_000) / of)) as BasisPoints;

function cutOfPrices(compiled: CompiledPlan, promotion: Promotion): BasisPoints {
  const after = apply(compiled, { kind: 'put-promotion', promotion }).compiled;
  const changes = after.changes.filter((change) => change.promotion.id === promotion.id);
  const alone: CompiledPlan = { ...after, changes, offers: [] };
  let deepest = 0 as BasisPoints;
  for (const store of chosen(compiled, promotion)) {
    const at = firstMoment(alone, promotion, store);
    if (at === null) continue;
    const { prices, regular } = book(alone, at, [store.id]);
    prices.forEach((price, index) => {
      const base = regular[index]!;
      if (price === NO_PRICE || base <= 0 || price >= base) return;
      deepest = Math.max(deepest, shareOf(base - price, base)) as BasisPoints;
    });
  }
  return deepest;
}

/** One store of each zone: a deal is looked at by sample baskets, which differ by their prices alone. */
function cutOfDeal(compiled: CompiledPlan, deal: BasketOfferPromotion): BasisPoints {
  const stores = [...new Map(chosen(compiled, deal).map((store) => [store.zone, store])).values()];
  const cuts = stores.flatMap(({ id }) =>
    dealConsequences(compiled, deal, id).steps.map(({ before, after }) =>
      before > 0 ? shareOf(before - after, before) : (0 as BasisPoints),
    ),
  );
  return Math.max(0, ...cuts) as BasisPoints;
}

function chosen(compiled: CompiledPlan, { where }: Promotion): StoreDocument[] {
  const among = storesOf(where, compiled.plan);
  return compiled.plan.stores.filter(({ id }) => among.has(id));
}
