import { boundsOf, type DayNumber, dayOf, type Instant } from '../calendar/index.ts';
import { firstMoment, shopperFor } from '../consequences/index.ts';
import { type MinorUnits, minorUnits } from '../money/index.ts';
import type { Item, Promotion, StoreDocument } from '../plan/index.ts';
import { apply, book, type CompiledPlan, NO_PRICE } from '../price-book/index.ts';
import { compileItemRule, type ItemSelection, storesOf } from '../selection/index.ts';
import { regularPrice } from '../tag-price/index.ts';
import { basesOf, type PassQuestion, type SheetLine, selecting } from './sheet-line.ts';
import { placeOf, type SheetPlace } from './sheet-place.ts';

export interface SheetFacts {
  /** Null: no store is in it, or no moment of it comes. */
  readonly lookedAt: { readonly store: string; readonly at: Instant; readonly stores: number } | null;
  /** The stores of the change, each with its zone. */
  readonly stores: readonly { readonly id: string; readonly zone: string | null }[];
  /** An item's lines stand together: the chain's first, then zones, then single stores. */
  readonly lines: readonly SheetLine[];
  readonly elsewhere: readonly { readonly promotion: string; readonly items: number }[];
  /** Selected or added, and sold in none of the stores at the start. */
  readonly unsold: readonly string[];
}

export interface SheetQuestion {
  /** Where, when and for whom; its own offer is not looked at. */
  readonly draft: Promotion;
  readonly passes: readonly PassQuestion[];
  readonly added: readonly string[];
  /** The store by whose clock the start is told, where the draft counts there. */
  readonly prefer: string | null;
}

/** A store at the first moment of the change there. */
interface Look {
  readonly store: StoreDocument;
  readonly at: Instant;
  readonly day: DayNumber;
}

/** Above so many prices one store stands for all in which a line counts. */
const MOST_PRICES = 3_000_000;

/**
 * The lines of a worksheet with what stands in them before its passes are run: for each item one for the chain's own
 * price, and one for every zone and store of the change in which the item has a price of its own.
 */
export function sheetFacts(plan: CompiledPlan, question: SheetQuestion): SheetFacts {
  const { draft, passes, added, prefer } = question;
  const { compiled } = apply(plan, { kind: 'drop-promotion', id: draft.id });
  const chosen = storesOf(draft.where, compiled.plan);
  const stores = compiled.plan.stores.filter(({ id }) => chosen.has(id));
  const looks = stores.flatMap((store) => lookAt(compiled, draft, store));
  const first = looks.find(({ store }) => store.id === prefer) ?? looks[0];
  const named = stores.map(({ id, zone }) => ({ id, zone: zone ?? null }));
  if (!first) return { lookedAt: null, stores: named, lines: [], elsewhere: [], unsold: [] };
  const selections = passes.map(({ items }) =>
    compileItemRule(items, compiled.catalogue, compiled.plan.currency),
  );
  const byHand = new Set(added);
  const groups = groupByPlace(compiled, looks, wanted(compiled, selections, byHand)).filter(
    ({ item, places }) =>
      byHand.has(item.sku) ||
      places.some(({ index, regular }) => selecting(selections, index, regular).length > 0),
  );
  const paid = paidWithout(compiled, looks, groups, draft);
  const others = overlapping(compiled, draft, chosen);
  const shopper = shopperFor(draft);
  const lines = groups.flatMap(({ item, places }) =>
    places.map(({ place, index, regular, looks: at }): SheetLine => {
      const found = at.map((look) => paid(look, index)).filter((price) => price !== null);
      return {
        sku: item.sku,
        name: item.name,
        place,
        since: null,
        stays: false,
        stores: at.length,
        regular,
        ...basesOf(compiled, passes, item.sku, regular, shopper),
        cost: item.cost,
        now: highest(found, regular),
        nowLow: lowest(found, regular),
        passes: selecting(selections, index, regular),
        reducedBy: others.flatMap(({ has }, i) => (has(index, regular) ? [i] : [])),
      };
    }),
  );
  const sold = new Set(lines.map(({ sku }) => sku));
  return {
    lookedAt: { store: first.store.id, at: first.at, stores: looks.length },
    stores: named,
    lines,
    elsewhere: others.map(({ promotion }, i) => ({ promotion, items: itemsReduced(lines, i) })),
    unsold: surelyWanted(compiled, selections, byHand).filter((sku) => !sold.has(sku)),
  };
}

const highest = (prices: readonly MinorUnits[], otherwise: MinorUnits): MinorUnits =>
  prices.length === 0 ? otherwise : minorUnits(Math.max(...prices));
const lowest = (prices: readonly MinorUnits[], otherwise: MinorUnits): MinorUnits =>
  prices.length === 0 ? otherwise : minorUnits(Math.min(...prices));

const itemsReduced = (lines: readonly SheetLine[], other: number): number =>
  new Set(lines.filter(({ reducedBy }) => reducedBy.includes(other)).map(({ sku }) => sku)).size;

function lookAt(compiled: CompiledPlan, draft: Promotion, store: StoreDocument): Look[] {
  const at = firstMoment(compiled, draft, store);
  return at === null ? [] : [{ store, at, day: dayOf(compiled.clockOf(store).toWall(at)) }];
}

/** Numbers of the items that some pass may select, at whatever price, or that were added. */
function wanted(
  { catalogue }: CompiledPlan,
  selections: readonly ItemSelection[],
  added: ReadonlySet<string>,
): number[] {
  return catalogue.items.flatMap((item, index) => {
    if (catalogue.isParent(index)) return [];
    const may = selections.some(({ mayHave }) => mayHave(index));
    return may || added.has(item.sku) ? [index] : [];
  });
}

/** The items that are wanted whatever they cost. */
function surelyWanted(
  { catalogue }: CompiledPlan,
  selections: readonly ItemSelection[],
  added: ReadonlySet<string>,
): string[] {
  return catalogue.items.flatMap(({ sku }, index) => {
    const sure =
      selections.some(({ asksPrices, mayHave }) => !asksPrices && mayHave(index)) || added.has(sku);
    return sure && !catalogue.isParent(index) ? [sku] : [];
  });
}

interface ItemPlaces {
  readonly item: Item;
  readonly places: { place: SheetPlace; index: number; regular: MinorUnits; looks: Look[] }[];
}

const NEAREST_LAST = { chain: 0, zone: 1, store: 2 } as const;

/** For each item the places its regular price comes from, with the stores that have it from there. */
function groupByPlace(
  compiled: CompiledPlan,
  looks: readonly Look[],
  indexes: readonly number[],
): ItemPlaces[] {
  const found = indexes.map((): ItemPlaces['places'] => []);
  for (const look of looks) {
    const shelf = compiled.shelf(look.store, look.day);
    indexes.forEach((index, i) => {
      const regular = shelf[index]!;
      if (regular === NO_PRICE) return;
      const place = placeAt(compiled.catalogue.items[index]!, look);
      const known = found[i]!.find((one) => one.place === place);
      if (known) known.looks.push(look);
      else found[i]!.push({ place, index, regular: regular as MinorUnits, looks: [look] });
    });
  }
  const rank = (place: SheetPlace) => NEAREST_LAST[place.split(':')[0] as keyof typeof NEAREST_LAST];
  return indexes.flatMap((index, i) => {
    const places = found[i]!.sort((a, b) => rank(a.place) - rank(b.place));
    return places.length === 0 ? [] : [{ item: compiled.catalogue.items[index]!, places }];
  });
}

function placeAt(item: Item, { store, day }: Look): SheetPlace {
  const { zones, stores } = item.prices;
  if (zones.size === 0 && stores.size === 0) return 'chain';
  return placeOf(regularPrice(item, store, day)!, store);
}

/** What is paid for an item in a store at the start without the change; null where that is not looked at. */
function paidWithout(
  compiled: CompiledPlan,
  looks: readonly Look[],
  groups: readonly ItemPlaces[],
  draft: Promotion,
): (look: Look, index: number) => MinorUnits | null {
  const indexes = groups.map(({ places }) => places[0]!.index);
  const column = new Map(indexes.map((index, at) => [index, at]));
  const few = looks.length * indexes.length <= MOST_PRICES;
  const asked = few
    ? looks
    : [...new Set(groups.flatMap(({ places }) => places.map((one) => one.looks[0]!)))];
  const shopper = shopperFor(draft);
  const prices = new Map(
    asked.map((look) => [look, book(compiled, look.at, [look.store.id], indexes, shopper).prices]),
  );
  return (look, index) => {
    const price = prices.get(look)?.[column.get(index)!] ?? NO_PRICE;
    return price === NO_PRICE ? null : (price as MinorUnits);
  };
}

/** Other approved price changes that count in one of the stores at some time of the draft. */
function overlapping(compiled: CompiledPlan, draft: Promotion, stores: ReadonlySet<string>) {
  return compiled.changes
    .filter(({ promotion }) => promotion.id !== draft.id && promotion.status === 'approved')
    .filter((change) =>
      [...change.stores()].some(
        (id) => stores.has(id) && meets(compiled, change.promotion, draft, compiled.stores.get(id)!),
      ),
    )
    .map((change) => ({ promotion: change.promotion.id, has: change.selection().has }));
}

function meets(compiled: CompiledPlan, one: Promotion, other: Promotion, store: StoreDocument): boolean {
  const clock = compiled.clockOf(store);
  const a = boundsOf(one.when, clock);
  const b = boundsOf(other.when, clock);
  return a.from < b.to && b.from < a.to;
}
