import type { Choices } from '../contracts/index.ts';
import type { PlanBook } from './plan-store.ts';

const ALWAYS_THERE = ['till', 'web', 'app'];

/** What a promotion can be made of in this chain. */
export async function listChoices(ports: { book: PlanBook }): Promise<Choices> {
  const { document } = await ports.book.current();
  const sorted = (values: Iterable<string>) => [...new Set(values)].sort((a, b) => a.localeCompare(b));
  return {
    format: document.format,
    version: document.version,
    currency: document.currency,
    marginFloor: document.policy?.marginFloor ?? null,
    nodes: document.nodes,
    itemSets: document.itemSets ?? [],
    zones: document.zones ?? [],
    stores: document.stores,
    storeGroups: document.storeGroups ?? [],
    shopperGroups: document.shopperGroups ?? [],
    priceLists: document.priceLists ?? [],
    brands: sorted(document.items.flatMap(({ brand }) => brand ?? [])),
    itemTags: sorted(document.items.flatMap(({ tags }) => tags ?? [])),
    channels: sorted([...ALWAYS_THERE, ...document.promotions.flatMap(({ channels }) => channels ?? [])]),
  };
}
