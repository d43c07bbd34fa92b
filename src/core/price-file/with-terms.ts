import type { ShopperDocument } from '../plan/index.ts';

/**
 * Of the shoppers of a plan those without whom a till would price otherwise: whom a promotion names, who has a price list,
 * and whose account is one of these; with that account. What an account is called no till needs to know.
 */
export function withTerms(
  shoppers: readonly ShopperDocument[],
  named: ReadonlySet<string>,
): ShopperDocument[] {
  const has = ({ id, priceList }: ShopperDocument) => named.has(id) || priceList !== undefined;
  const byId = new Map(shoppers.map((shopper) => [shopper.id, shopper]));
  const concerned = new Set<string>();
  for (const shopper of shoppers) {
    const account = shopper.account === undefined ? undefined : byId.get(shopper.account);
    if (!has(shopper) && !(account && has(account))) continue;
    concerned.add(shopper.id);
    if (account) concerned.add(account.id);
  }
  return shoppers.filter(({ id }) => concerned.has(id)).map(({ name: _, ...shopper }) => shopper);
}
