import type { DayNumber } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Item, PriceRow, StoreDocument } from '../plan/index.ts';

export interface RegularPrice {
  readonly price: MinorUnits;
  readonly scope: 'store' | 'zone' | 'chain';
  readonly since: DayNumber | null;
}

/**
 * Pricing rules 3.1: the newest row that has begun on the store's local date, looked for in the store's own rows,
 * then its zone's, then the chain's. Null: the item has no price there and cannot be sold.
 */
export function regularPrice(item: Item, store: StoreDocument, day: DayNumber): RegularPrice | null {
  return (
    newest(item.prices.stores.get(store.id), day, 'store') ??
    newest(store.zone === undefined ? undefined : item.prices.zones.get(store.zone), day, 'zone') ??
    newest(item.prices.chain, day, 'chain')
  );
}

function newest(
  rows: readonly PriceRow[] | undefined,
  day: DayNumber,
  scope: RegularPrice['scope'],
): RegularPrice | null {
  const row = rows?.find(({ since }) => since === null || since <= day);
  return row ? { ...row, scope } : null;
}

/** Whether no store carries the item any more on this local date. */
export const isRetired = (item: Pick<Item, 'retired'>, day: DayNumber): boolean =>
  item.retired !== null && item.retired <= day;

/** The days on which the regular price of an item at a store may change. */
export function priceChangeDays(item: Item, store: StoreDocument): DayNumber[] {
  const rows = [
    ...(item.prices.stores.get(store.id) ?? []),
    ...((store.zone === undefined ? undefined : item.prices.zones.get(store.zone)) ?? []),
    ...item.prices.chain,
  ];
  return [...rows.map(({ since }) => since), item.retired].filter((day) => day !== null);
}
