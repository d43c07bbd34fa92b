import { type Person, type StockroomView, sees } from '../../contracts/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';

/** What the chain is made of, counted, and its stores. */
export async function lookAtStockroom(ports: { book: PlanBook }, person: Person): Promise<StockroomView> {
  const { document, compiled } = await seenBy(ports.book, person);
  const zones = new Map((document.zones ?? []).map(({ id, name }) => [id, name]));
  const terminals = new Map<string, number>();
  for (const { store } of document.terminals ?? []) terminals.set(store, (terminals.get(store) ?? 0) + 1);
  return {
    name: document.name ?? null,
    counts: [
      ['items', document.items.length],
      ['places in the hierarchy', document.nodes.length],
      ['price lists', document.priceLists?.length ?? 0],
      ['stores', document.stores.length],
      ['store groups', document.storeGroups?.length ?? 0],
      ['ranges', document.ranges?.length ?? 0],
      ['terminals', document.terminals?.length ?? 0],
      ['kinds of shopper', document.shopperGroups?.length ?? 0],
    ],
    stores: compiled.plan.stores
      .filter(({ id }) => sees(person, id))
      .map(({ id, name, timeZone, zone, region, tags }) => ({
        id,
        name,
        timeZone,
        zone: zone === undefined ? null : (zones.get(zone) ?? zone),
        region: region ?? null,
        tags: tags ?? [],
        terminals: terminals.get(id) ?? 0,
      })),
  };
}
