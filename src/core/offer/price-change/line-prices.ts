import type { LinePricesInDocument, PriceChangeDocument } from './price-change.ts';

type Priced = Pick<PriceChangeDocument, 'linePrices' | 'linePricesIn'>;

/** Every item that a price change names a price of, in whatever place. */
export const linePricedItems = ({ linePrices, linePricesIn }: Priced): Set<string> =>
  new Set([
    ...Object.keys(linePrices ?? {}),
    ...(linePricesIn ?? []).flatMap(({ prices }) => Object.keys(prices)),
  ]);

export const hasLinePrices = (offer: Priced): boolean => linePricedItems(offer).size > 0;

/**
 * The line prices that count in one store, place by place laid over one another (pricing rules 3.3): what is left
 * prices this store the same, and names no other place.
 */
export function linePricesAt(
  { linePrices, linePricesIn = [] }: Priced,
  store: { readonly id: string; readonly zone?: string },
): Record<string, string> {
  const of = (isIt: (entry: LinePricesInDocument) => boolean) => linePricesIn.find(isIt)?.prices;
  return {
    ...linePrices,
    ...of(({ zone }) => zone !== undefined && zone === store.zone),
    ...of((entry) => entry.store === store.id),
  };
}
