import type { PlanDocument } from '../plan/index.ts';
import { HOUSE_WRITING, type Writing } from '../writing/index.ts';

/** What a sentence needs to be read: names in the place of ids (an unknown id stands as it is), and the reader's way of writing. */
export interface Names {
  node(id: string): string;
  set(id: string): string;
  item(sku: string): string;
  store(id: string): string;
  storeGroup(id: string): string;
  zone(id: string): string;
  shopperGroup(id: string): string;
  /** What an account is called; null: somebody whom the plan knows by number alone. */
  account(id: string): string | null;
  priceList(id: string): string;
  promotion(id: string): string;
  /** How dates, amounts and numbers are written. */
  readonly writing: Writing;
}

export function namesOf(
  document: Omit<PlanDocument, 'promotions' | 'items'> & {
    items?: PlanDocument['items'];
    promotions?: readonly { id: string; name: string }[];
  },
  writing: Writing = HOUSE_WRITING,
): Names {
  const lookup = (list: readonly { id: string; name: string }[] | undefined) => {
    const names = new Map((list ?? []).map(({ id, name }) => [id, name]));
    return (id: string) => names.get(id) ?? id;
  };
  const accounts = new Map((document.shoppers ?? []).map((shopper) => [shopper.id, shopper.name]));
  const items = new Map((document.items ?? []).map(({ sku, name }) => [sku, name]));
  return {
    node: lookup(document.nodes),
    set: lookup(document.itemSets),
    item: (sku) => items.get(sku) ?? sku,
    store: lookup(document.stores),
    storeGroup: lookup(document.storeGroups),
    zone: lookup(document.zones),
    shopperGroup: lookup(document.shopperGroups),
    account: (id) => accounts.get(id) ?? null,
    priceList: lookup(document.priceLists),
    promotion: lookup(document.promotions),
    writing,
  };
}
