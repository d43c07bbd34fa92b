import type { MinorUnits } from '../money/index.ts';
import type { SheetResult } from './run-passes.ts';
import type { SheetLine } from './sheet-line.ts';
import { placeParts, type SheetPlace } from './sheet-place.ts';

/** Prices by item, and by item in single zones and stores: line prices as a price change says them. */
export interface SheetPrices {
  readonly items: readonly string[];
  readonly everywhere: ReadonlyMap<string, MinorUnits>;
  readonly zones: ReadonlyMap<string, ReadonlyMap<string, MinorUnits>>;
  readonly stores: ReadonlyMap<string, ReadonlyMap<string, MinorUnits>>;
}

type Store = { readonly id: string; readonly zone: string | null };

/**
 * The line prices that price every store as the sheet shows it. Where some place of an item has no new price, the
 * prices of the others are said store by store, so that none of them reaches there.
 */
export function sheetPrices(
  lines: readonly SheetLine[],
  results: readonly SheetResult[],
  stores: readonly Store[],
): SheetPrices {
  const everywhere = new Map<string, MinorUnits>();
  const zones = new Map<string, Map<string, MinorUnits>>();
  const single = new Map<string, Map<string, MinorUnits>>();
  const put = (of: Map<string, Map<string, MinorUnits>>, id: string, sku: string, price: MinorUnits) => {
    const there = of.get(id) ?? new Map<string, MinorUnits>();
    of.set(id, there.set(sku, price));
  };
  const items: string[] = [];
  for (const [sku, places] of pricesByItem(lines, results)) {
    if ([...places.values()].every((price) => price === null)) continue;
    items.push(sku);
    if ([...places.values()].includes(null)) {
      for (const store of stores) {
        const price = places.get(nearest(places, store) ?? 'chain') ?? null;
        if (price !== null) put(single, store.id, sku, price);
      }
      continue;
    }
    for (const [place, price] of places) {
      const { kind, id } = placeParts(place);
      if (kind === 'chain') everywhere.set(sku, price!);
      else put(kind === 'zone' ? zones : single, id, sku, price!);
    }
  }
  return { items, everywhere, zones, stores: single };
}

/** The place among these from which a store has its price. */
function nearest(places: ReadonlyMap<SheetPlace, unknown>, { id, zone }: Store): SheetPlace | null {
  const all: SheetPlace[] = [`store:${id}`, ...(zone === null ? [] : [`zone:${zone}` as const]), 'chain'];
  return all.find((place) => places.has(place)) ?? null;
}

/** New prices by item and place; null where a place has none. Items that were taken out are left out. */
function pricesByItem(
  lines: readonly SheetLine[],
  results: readonly SheetResult[],
): Map<string, Map<SheetPlace, MinorUnits | null>> {
  const found = new Map<string, Map<SheetPlace, MinorUnits | null>>();
  lines.forEach(({ sku, place }, i) => {
    const { price, removed } = results[i]!;
    if (removed) return;
    const places = found.get(sku) ?? new Map<SheetPlace, MinorUnits | null>();
    found.set(sku, places.set(place, price));
  });
  return found;
}
