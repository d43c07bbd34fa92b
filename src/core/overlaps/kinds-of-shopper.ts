import type { Plan, Promotion } from '../plan/index.ts';
import { GUEST, isFor, type Shopper } from '../tag-price/index.ts';

/**
 * The kinds of shopper that a plan tells apart: a guest, one of no group, one of each group, and those whom it knows by
 * name. Two for whom all promotions and price lists are the same are one kind.
 */
export function kindsOfShopper({ shopperGroups, shoppers, promotions }: Plan): readonly Shopper[] {
  const of = (id: string | null, groups: readonly string[]): Shopper => ({ kind: 'shopper', id, groups });
  const all = [
    GUEST,
    of(null, []),
    ...shopperGroups.map(({ id }) => of(null, [id])),
    ...shoppers.map(({ id, groups, account }) => ({
      ...of(id, groups),
      ...(account === null ? {} : { account }),
    })),
  ];
  const listOf = new Map(shopperGroups.map(({ id, priceList }) => [id, priceList]));
  const records = new Map(shoppers.map((one) => [one.id, one]));
  const own = (id: string | null) => (id === null ? [] : (records.get(id)?.priceLists ?? []));
  const bySignature = new Map<string, Shopper>();
  for (const shopper of all) {
    const lists =
      shopper.kind === 'guest'
        ? []
        : [...shopper.groups.map((group) => listOf.get(group)), ...own(shopper.id)];
    const signature = JSON.stringify([
      [...new Set(lists.filter((list) => list !== undefined))].sort(),
      promotions.map(({ who }) => (isFor(who, shopper) ? 1 : 0)).join(''),
    ]);
    if (!bySignature.has(signature)) bySignature.set(signature, shopper);
  }
  return [...bySignature.values()];
}

/** The kinds for whom a promotion is. */
export const kindsFor = (kinds: readonly Shopper[], { who }: Pick<Promotion, 'who'>): readonly Shopper[] =>
  kinds.filter((shopper) => isFor(who, shopper));
