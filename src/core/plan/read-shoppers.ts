import { type Currency, readAmount } from '../money/index.ts';
import type { ShopperDocument } from './document.ts';
import type { ShopperRecord } from './model.ts';

/** Shoppers with what they have of their account: its groups, and its price list beside their own. */
export function readShoppers(shoppers: readonly ShopperDocument[], currency: Currency): ShopperRecord[] {
  const byId = new Map(shoppers.map((shopper) => [shopper.id, shopper]));
  return shoppers.map((shopper) => {
    const both = [shopper, ...(shopper.account === undefined ? [] : [byId.get(shopper.account)!])];
    return {
      id: shopper.id,
      name: shopper.name ?? null,
      account: shopper.account ?? null,
      groups: [...new Set(both.flatMap(({ groups }) => groups ?? []))],
      priceLists: [...new Set(both.flatMap(({ priceList }) => priceList ?? []))],
      pastOrders: shopper.pastOrders ?? 0,
      lifetimeSpend: readAmount(shopper.lifetimeSpend ?? '0', currency),
    };
  });
}
