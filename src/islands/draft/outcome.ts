import { type Currency, formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { LinePricesInDocument, PriceChangeDocument } from '../../core/plan/index.ts';
import { entryOf, type SheetLine, type SheetResult, sheetPrices } from '../../core/worksheet/index.ts';

type LinePriced = Pick<PriceChangeDocument, 'linePrices' | 'linePricesIn'>;

/** What a sheet comes to: the line prices of a price change, and the rows of regular prices. */
export interface SheetOutcome extends LinePriced {
  /** Every item that has a new price somewhere. */
  readonly items: readonly string[];
  /** Prices that differ from what stands, each with its place and, where it begins later, its day. */
  readonly rows: readonly {
    readonly sku: string;
    readonly place: string;
    readonly since: string | null;
    readonly price: string;
  }[];
}

export function sheetOutcome(
  lines: readonly SheetLine[],
  results: readonly SheetResult[],
  stores: readonly { readonly id: string; readonly zone: string | null }[],
  currency: Currency,
): SheetOutcome {
  const made = sheetPrices(
    lines.filter(({ since }) => since === null),
    results.filter((_, i) => lines[i]!.since === null),
    stores,
  );
  const texts = (prices: ReadonlyMap<string, MinorUnits>) =>
    Object.fromEntries([...prices].map(([sku, price]) => [sku, formatAmount(price, currency)]));
  const linePrices = texts(made.everywhere);
  const linePricesIn: LinePricesInDocument[] = [
    ...[...made.zones].map(([id, prices]) => entryOf(`zone:${id}`, texts(prices))),
    ...[...made.stores].map(([id, prices]) => entryOf(`store:${id}`, texts(prices))),
  ];
  return {
    items: made.items,
    ...(Object.keys(linePrices).length > 0 ? { linePrices } : {}),
    ...(linePricesIn.length > 0 ? { linePricesIn } : {}),
    rows: lines.flatMap(({ sku, place, since, regular }, i) => {
      const { price, removed } = results[i]!;
      if (price === null || removed || price === regular) return [];
      return [{ sku, place, since, price: formatAmount(price, currency) }];
    }),
  };
}

/** By item and place, to tell two outcomes apart. */
export function flatPrices({ linePrices = {}, linePricesIn = [] }: LinePriced): Map<string, string> {
  const flat = new Map(Object.entries(linePrices));
  for (const { zone, store, prices } of linePricesIn)
    for (const [sku, price] of Object.entries(prices)) flat.set(`${sku} ${zone ?? ''} ${store ?? ''}`, price);
  return flat;
}

/** In how many items and places two outcomes differ. */
export function differences(one: LinePriced, other: LinePriced): number {
  const [a, b] = [flatPrices(one), flatPrices(other)];
  return [...new Set([...a.keys(), ...b.keys()])].filter((key) => a.get(key) !== b.get(key)).length;
}
