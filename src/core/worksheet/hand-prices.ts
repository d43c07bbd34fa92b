import type { LinePricesInDocument, WorksheetDocument } from '../plan/index.ts';
import { keyParts, lineKey, placeParts, type SheetPlace } from './sheet-place.ts';

type ByHand = Pick<WorksheetDocument, 'own' | 'ownIn'>;

/** Prices by hand under the key of their line; those of an item wherever none is nearer under its SKU. */
export function handPrices({ own = {}, ownIn = [] }: ByHand): Record<string, string> {
  const prices: Record<string, string> = { ...own };
  for (const entry of ownIn)
    for (const [sku, price] of Object.entries(entry.prices))
      prices[lineKey({ sku, place: placeOfEntry(entry), since: null })] = price;
  return prices;
}

/** The way back: how a worksheet's document says them. */
export function handPricesDocument(prices: Readonly<Record<string, string>>): ByHand {
  const own: Record<string, string> = {};
  const places = new Map<SheetPlace, Record<string, string>>();
  for (const [key, price] of Object.entries(prices)) {
    if (!isLineKey(key)) {
      own[key] = price;
      continue;
    }
    const { sku, place } = keyParts(key);
    places.set(place, { ...places.get(place), [sku]: price });
  }
  return {
    ...(Object.keys(own).length > 0 ? { own } : {}),
    ...(places.size > 0 ? { ownIn: [...places].map(([place, of]) => entryOf(place, of)) } : {}),
  };
}

const isLineKey = (key: string): boolean => keyParts(key).sku !== key;

/** An entry that names no place is for where an item has no price of a nearer place. */
function placeOfEntry({ zone, store }: LinePricesInDocument): SheetPlace {
  if (store !== undefined) return `store:${store}`;
  return zone === undefined ? 'chain' : `zone:${zone}`;
}

export function entryOf(place: SheetPlace, prices: Record<string, string>): LinePricesInDocument {
  const { kind, id } = placeParts(place);
  if (kind === 'chain') return { prices };
  return kind === 'zone' ? { zone: id, prices } : { store: id, prices };
}

/** Every item that has a price by hand somewhere. */
export const handPricedItems = (sheet: ByHand): string[] => [
  ...new Set(Object.keys(handPrices(sheet)).map((key) => keyParts(key).sku)),
];
