import { type DayNumber, formatLocalDate } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Item, PriceRow, StoreDocument } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { compileItemRule, type ItemSelection } from '../selection/index.ts';
import { GUEST, isRetired } from '../tag-price/index.ts';
import { basesOf, type PassQuestion, type SheetLine, selecting } from './sheet-line.ts';
import type { SheetPlace } from './sheet-place.ts';

/** Which regular prices are made anew. */
export type RepriceScope =
  | { readonly kind: 'chain' }
  | { readonly kind: 'zones'; readonly ids: readonly string[] }
  | { readonly kind: 'stores'; readonly ids: readonly string[] }
  /** Every row that stands, of the chain, of zones and of stores. */
  | { readonly kind: 'every' };

export interface RepriceQuestion {
  /** From which day on the new prices count. */
  readonly since: DayNumber;
  readonly scope: RepriceScope;
  readonly passes: readonly PassQuestion[];
  readonly added: readonly string[];
  /** Zones or stores of the scope in which an item has no price of its own get one, made from what counts there. */
  readonly fresh: boolean;
  /** Prices that begin later in the scope are made anew as well; else they stay and overtake. */
  readonly carry: boolean;
}

/**
 * The regular prices that stand on a day, row by row, for every item that a pass selects or that was added: those in
 * scope to be made anew, each from itself; the others as what stays; after each what begins later in its place.
 */
export function repriceLines(compiled: CompiledPlan, question: RepriceQuestion): SheetLine[] {
  const selections = question.passes.map(({ items }) =>
    compileItemRule(items, compiled.catalogue, compiled.plan.currency),
  );
  const byHand = new Set(question.added);
  const of = new StoresOfRows(compiled.plan.stores);
  return compiled.catalogue.items.flatMap((item, index) => {
    if (compiled.catalogue.isParent(index) || isRetired(item, question.since)) return [];
    const rows = rowsOf(item, compiled, question, byHand.has(item.sku));
    if (!byHand.has(item.sku) && !rows.some((row) => isSelected(row, index, selections))) return [];
    return rows.map((row): SheetLine => {
      const { price, since, place } = row;
      const passes = row.stays || row.byHandOnly ? [] : selecting(selections, index, price);
      return {
        sku: item.sku,
        name: item.name,
        place,
        since: since === null ? null : formatLocalDate(since),
        stays: row.stays,
        stores: of.count(item, place, question.since),
        regular: price,
        ...basesOf(compiled, question.passes, item.sku, price, GUEST),
        cost: item.cost,
        now: price,
        nowLow: price,
        passes,
        reducedBy: [],
      };
    });
  });
}

interface Row {
  readonly place: SheetPlace;
  readonly price: MinorUnits;
  /** Set for a row that begins later. */
  readonly since: DayNumber | null;
  readonly stays: boolean;
  /** Somewhere for a price by hand to stand; no pass makes one where none was asked for. */
  readonly byHandOnly?: boolean;
}

const isSelected = ({ price, stays }: Row, index: number, selections: readonly ItemSelection[]): boolean =>
  !stays && selections.some((selection) => selection.has(index, price));

function rowsOf(item: Item, compiled: CompiledPlan, question: RepriceQuestion, byHand: boolean): Row[] {
  const { chain, zones, stores } = item.prices;
  const places: [SheetPlace, readonly PriceRow[]][] = [
    ['chain', chain],
    ...[...zones].map(([id, rows]): [SheetPlace, readonly PriceRow[]] => [`zone:${id}`, rows]),
    ...[...stores].map(([id, rows]): [SheetPlace, readonly PriceRow[]] => [`store:${id}`, rows]),
  ];
  const inScope = scopeTest(question.scope);
  const found = places.flatMap(([place, rows]) => {
    const standing = rows.find(({ since }) => since === null || since <= question.since);
    const later = rows.filter(({ since }) => since !== null && since > question.since).toReversed();
    return [
      ...(standing ? [{ place, price: standing.price, since: null, stays: !inScope(place) }] : []),
      ...later.map(({ price, since }) => ({
        place,
        price,
        since,
        stays: !inScope(place) || !question.carry,
      })),
    ];
  });
  const missing =
    question.fresh || byHand
      ? scopePlaces(question.scope).filter(
          (place) => !found.some((row) => row.place === place && row.since === null),
        )
      : [];
  const fresh = missing.flatMap((place): Row[] => {
    const price = countsIn(item, place, compiled, question.since);
    return price === null ? [] : [{ place, price, since: null, stays: false, byHandOnly: !question.fresh }];
  });
  return [...found, ...fresh];
}

function scopeTest(scope: RepriceScope): (place: SheetPlace) => boolean {
  if (scope.kind === 'every') return () => true;
  const places = new Set(scopePlaces(scope));
  return (place) => places.has(place);
}

function scopePlaces(scope: RepriceScope): SheetPlace[] {
  if (scope.kind === 'chain') return ['chain'];
  if (scope.kind === 'zones') return scope.ids.map((id): SheetPlace => `zone:${id}`);
  return scope.kind === 'stores' ? scope.ids.map((id): SheetPlace => `store:${id}`) : [];
}

/** What counts in a place that has no price of its own; null where nothing does. */
function countsIn(
  { prices }: Item,
  place: SheetPlace,
  { stores }: CompiledPlan,
  day: DayNumber,
): MinorUnits | null {
  const zone = place.startsWith('store:') ? stores.get(place.slice('store:'.length))?.zone : undefined;
  const standing = (rows: readonly PriceRow[] | undefined) =>
    rows?.find(({ since }) => since === null || since <= day)?.price;
  return standing(zone === undefined ? undefined : prices.zones.get(zone)) ?? standing(prices.chain) ?? null;
}

/** In how many stores a row of an item counts on a day. */
class StoresOfRows {
  readonly #all: readonly StoreDocument[];
  readonly #ofZone = new Map<string, number>();

  constructor(all: readonly StoreDocument[]) {
    this.#all = all;
    for (const { zone } of all)
      if (zone !== undefined) this.#ofZone.set(zone, (this.#ofZone.get(zone) ?? 0) + 1);
  }

  count({ prices }: Item, place: SheetPlace, day: DayNumber): number {
    const stands = (rows: readonly PriceRow[]) => rows.some(({ since }) => since === null || since <= day);
    if (place.startsWith('store:')) return 1;
    const own = [...prices.stores].filter(([, rows]) => stands(rows)).map(([id]) => id);
    if (own.length === 0 && place !== 'chain') return this.#ofZone.get(place.slice('zone:'.length)) ?? 0;
    const zones = new Set([...prices.zones].filter(([, rows]) => stands(rows)).map(([id]) => id));
    if (own.length === 0 && zones.size === 0) return this.#all.length;
    return this.#all.filter(({ id, zone }) => {
      if (own.includes(id)) return false;
      if (place === 'chain') return zone === undefined || !zones.has(zone);
      return zone === place.slice('zone:'.length);
    }).length;
  }
}
