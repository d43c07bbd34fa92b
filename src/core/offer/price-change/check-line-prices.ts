import type { CheckContext, Fault } from '../../checking/index.ts';
import type { LinePricesInDocument } from './price-change.ts';

/** Known items, and amounts of the currency. */
export function checkLinePrices(
  prices: Record<string, string> | undefined,
  path: Fault['path'],
  context: CheckContext,
): void {
  for (const [sku, price] of Object.entries(prices ?? {})) {
    context.reference('item', sku, [...path, sku]);
    context.amount(price, [...path, sku]);
  }
}

/**
 * Exactly one zone or store an entry, and one entry a zone or store: which of two should count nobody could say.
 * @param placeless an entry may name neither as well.
 */
export function checkLinePricesIn(
  pricesIn: readonly LinePricesInDocument[] | undefined,
  path: Fault['path'],
  context: CheckContext,
  { placeless = false } = {},
): void {
  const seen = new Set<string>();
  (pricesIn ?? []).forEach(({ zone, store, prices }, i) => {
    const at = [...path, i];
    if (zone !== undefined) context.reference('zone', zone, [...at, 'zone']);
    if (store !== undefined) context.reference('store', store, [...at, 'store']);
    const known = zone === undefined ? store !== undefined || placeless : store === undefined;
    if (!known)
      context.fault(
        at,
        zone === undefined ? 'prices of no place' : 'prices of both a zone and a store',
        'one zone or one store',
      );
    const place = JSON.stringify([zone, store]);
    if (seen.has(place)) context.fault(at, 'a second entry for the same place', 'one entry for each place');
    seen.add(place);
    checkLinePrices(prices, [...at, 'prices'], context);
  });
}
