import type { CompiledChange } from '../price-book/index.ts';

/** Stores in which the same changes count. */
export interface AlikeStores {
  readonly stores: readonly string[];
  /** 1 for each change that counts there, by its number. */
  readonly counting: Uint8Array;
}

/** Puts stores together in which the same changes count: in most chains they are few groups. */
export function alikeStores(
  stores: readonly string[],
  changes: readonly CompiledChange[],
  countsAt: (change: CompiledChange, store: string) => boolean,
): AlikeStores[] {
  const byCounting = new Map<string, { stores: string[]; counting: Uint8Array }>();
  for (const store of stores) {
    const counting = Uint8Array.from(changes, (change) => (countsAt(change, store) ? 1 : 0));
    const key = counting.join('');
    const found = byCounting.get(key) ?? { stores: [], counting };
    found.stores.push(store);
    byCounting.set(key, found);
  }
  return [...byCounting.values()];
}
