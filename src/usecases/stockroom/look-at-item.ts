import { type ItemView, type Person, sees } from '../../contracts/index.ts';
import { parseMoment } from '../../core/calendar/index.ts';
import { giftOf } from '../../core/offer/index.ts';
import type { ItemDocument, PlanDocument } from '../../core/plan/index.ts';
import type { CompiledOffer } from '../../core/price-book/index.ts';
import { compileItemRule, type ItemSelection, storesOf } from '../../core/selection/index.ts';
import { seenBy } from '../people/index.ts';
import { listPromotions } from '../plan/index.ts';
import type { CurrentPlan, PlanBook, PromotionStore } from '../ports/index.ts';
import { pricesByZone } from './prices-by-zone.ts';

/**
 * One item: its prices by place and date, where it is carried and through what, every promotion that touches it.
 * @param lens where and when the lens looks, in the store's own time.
 * @returns null where there is no such item.
 */
export async function lookAtItem(
  ports: { book: PlanBook; promotions: PromotionStore },
  person: Person,
  sku: string,
  lens: { readonly store: { readonly id: string }; readonly at: string },
): Promise<ItemView | null> {
  const current = await seenBy(ports.book, person);
  const { document, compiled } = current;
  const index = compiled.catalogue.indexOf.get(sku);
  const item = document.items.find((one) => one.sku === sku);
  if (index === undefined || !item) return null;
  const at = parseMoment(lens.at, compiled.clockOf(compiled.stores.get(lens.store.id)!))!;
  const touching = touchingItem(current, item, index);
  const all = await listPromotions(ports, person);
  return {
    ...factsOf(item, document),
    variants: compiled.catalogue.variantsOf(sku).map((at) => named(document.items[at]!)),
    prices: pricesOf(item, document, person),
    byZone: pricesByZone(current, person, sku, at),
    ranges: rangesOf(item, index, current, person, lens.store.id),
    carriedEverywhere: (document.ranges ?? []).length === 0,
    promotions: all.filter(({ id }) => touching.has(id)),
  };
}

function touchingItem(current: CurrentPlan, item: ItemDocument, index: number): ReadonlySet<string> {
  const { changes, offers } = current.compiled;
  const has = (selection: ItemSelection) => touches(selection, item, index, current);
  const deals = offers.filter((offer) => offer.parts().some(has) || gives(offer, item.sku));
  return new Set(
    [...changes.filter((change) => has(change.selection())), ...deals].map(({ promotion }) => promotion.id),
  );
}

/** A gift is touched by the deal that gives it. */
const gives = ({ promotion: { offer } }: CompiledOffer, sku: string): boolean => giftOf(offer) === sku;

/** The ids of the promotions that touch the item of a number or barcode; none where nobody knows it. */
export async function findTouching(
  ports: { book: PlanBook },
  person: Person,
  code: string,
): Promise<{ ids: string[] }> {
  const current = await seenBy(ports.book, person);
  const wanted = code.toLowerCase();
  const index = current.document.items.findIndex(
    ({ sku, gtin }) => sku.toLowerCase() === wanted || gtin === code,
  );
  if (index < 0) return { ids: [] };
  return { ids: [...touchingItem(current, current.document.items[index]!, index)] };
}

const named = ({ sku, name }: ItemDocument) => ({ sku, name });

/** A rule on regular prices touches an item that it selects at any of its prices. */
function touches(
  selection: ItemSelection,
  item: ItemDocument,
  index: number,
  { compiled }: CurrentPlan,
): boolean {
  if (!selection.asksPrices) return selection.mayHave(index);
  const { chain, zones, stores } = compiled.catalogue.items[index]!.prices;
  const rows = [...chain, ...[...zones.values()].flat(), ...[...stores.values()].flat()];
  return item.prices.length > 0 && rows.some(({ price }) => selection.has(index, price));
}

function factsOf(item: ItemDocument, document: PlanDocument) {
  const nodes = new Map(document.nodes.map((node) => [node.id, node]));
  const hierarchy: string[] = [];
  for (let node = nodes.get(item.node); node; node = nodes.get(node.parent ?? ''))
    hierarchy.unshift(node.name);
  const parent = document.items.find(({ sku }) => sku === item.parent);
  return {
    ...named(item),
    gtin: item.gtin ?? null,
    brand: item.brand ?? null,
    unit: item.unit ?? 'each',
    cost: item.cost ?? null,
    tags: item.tags ?? [],
    attributes: item.attributes ?? {},
    hierarchy,
    parent: parent ? named(parent) : null,
  };
}

const NEAREST = ['store', 'zone', 'chain'] as const;

function pricesOf(item: ItemDocument, document: PlanDocument, person: Person): ItemView['prices'] {
  const names = new Map([...document.stores, ...(document.zones ?? [])].map(({ id, name }) => [id, name]));
  return item.prices
    .filter(({ store }) => store === undefined || sees(person, store))
    .map(({ price, since, zone, store }) => ({
      of:
        store !== undefined
          ? ('store' as const)
          : zone !== undefined
            ? ('zone' as const)
            : ('chain' as const),
      place: names.get(store ?? zone ?? '') ?? null,
      since: since ?? null,
      price,
    }))
    .sort(
      (a, b) =>
        NEAREST.indexOf(a.of) - NEAREST.indexOf(b.of) ||
        (a.place ?? '').localeCompare(b.place ?? '') ||
        (b.since ?? '').localeCompare(a.since ?? ''),
    );
}

function rangesOf(
  item: ItemDocument,
  index: number,
  current: CurrentPlan,
  person: Person,
  store: string,
): ItemView['ranges'] {
  const { document, compiled } = current;
  return (document.ranges ?? []).flatMap((range) => {
    const selection = compileItemRule(range.items, compiled.catalogue, compiled.plan.currency);
    if (!touches(selection, item, index, current)) return [];
    const stores = [...storesOf(range.stores, compiled.plan)].filter((id) => sees(person, id));
    return [{ name: range.name, stores: stores.length, here: stores.includes(store) }];
  });
}
