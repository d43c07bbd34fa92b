import type { OfferInBasket } from '../offers/offer-in-basket.ts';

/** Offers that share units, directly or through others, belong together; the rest do not concern each other. */
export function componentsOf(offers: readonly OfferInBasket[]): OfferInBasket[][] {
  const parent = offers.map((_, i) => i);
  const rootOf = (i: number): number => {
    let at = i;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  };
  const firstReader = new Map<number, number>();
  offers.forEach(({ machine }, i) => {
    for (const { position } of machine.members) {
      const other = firstReader.get(position);
      if (other === undefined) firstReader.set(position, i);
      else parent[rootOf(i)] = rootOf(other);
    }
  });
  const groups = new Map<number, OfferInBasket[]>();
  offers.forEach((offer, i) => {
    const root = rootOf(i);
    const group = groups.get(root);
    if (group) group.push(offer);
    else groups.set(root, [offer]);
  });
  return [...groups.values()];
}
