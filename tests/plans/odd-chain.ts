import { seeded } from '../../demo/seeded.ts';
import type { PlanDocument, PromotionDocument } from '../../src/core/plan/index.ts';
import { type CrowdedSize, crowdedChain } from './crowded-chain.ts';

/**
 * A crowded chain with what is rare in it: a store with many prices of its own, prices line by line, dear goods, changes
 * that stand alone beside some on top, and twins that differ in nothing but their ids.
 */
export function oddChain(
  {
    size,
    today,
    dear = false,
  }: { readonly size: CrowdedSize; readonly today: string; readonly dear?: boolean },
  policy: 'priority' | 'lowest',
  seed: number,
): PlanDocument {
  const random = seeded(seed);
  const plan = crowdedChain(size, today, seed);
  const [first, second] = plan.stores as [PlanDocument['stores'][number], PlanDocument['stores'][number]];
  const items = plan.items.map((item, i) => ({
    ...item,
    prices: [
      ...item.prices.filter(({ store }) => store !== first.id && store !== second.id),
      ...(item.prices.length > 0 && i % 50 === 0 ? [{ store: first.id, price: '3.33' }] : []),
      ...(item.prices.length > 0 && i % 900 === 7 ? [{ store: second.id, price: '2.22' }] : []),
    ].map((row) => (dear && i === 40 ? { ...row, price: '29000000.00' } : row)),
  }));
  const promotions = plan.promotions.map((promotion, i) => {
    const { offer } = promotion;
    if (i % 4 === 3 && !(offer.kind === 'priceChange' && offer.onTop)) return { ...promotion, alone: true };
    if (i % 8 === 2 && offer.kind === 'priceChange') return onTopOf(promotion);
    if (i % 12 !== 0 || offer.kind !== 'priceChange' || offer.onTop) return promotion;
    const prices = Object.fromEntries(
      Array.from({ length: 40 }, () => [random.pick(items).sku, '1.11'] as const),
    );
    const linePricesIn = [
      { zone: first.zone!, prices },
      { store: random.pick(plan.stores).id, prices: { ...prices, [items[40]!.sku]: '0.99' } },
    ];
    return { ...promotion, offer: { ...offer, linePrices: prices, linePricesIn } };
  });
  const twins = promotions.flatMap((one, i) => (i % 5 === 1 ? [{ ...one, id: `${one.id}-twin` }] : []));
  return {
    ...plan,
    items,
    promotions: [...promotions, ...twins],
    policy: { ...plan.policy, priceChanges: policy },
  };
}

function onTopOf({ alone: _, ...promotion }: PromotionDocument): PromotionDocument {
  const { offer } = promotion;
  if (offer.kind !== 'priceChange') return promotion;
  return { ...promotion, offer: { ...offer, formula: { percentOff: 300 }, onTop: true } };
}
