import type { ItemDocument, PlanDocument, PromotionDocument } from '../plan/index.ts';
import type { PriceFileContent } from './content.ts';
import { difference } from './difference.ts';
import type { Manifest } from './manifest.ts';

/** What of a list of things with keys is put in, new or in the place of one, and what is taken out. */
export interface KeyedChange<T> {
  readonly put: readonly T[];
  readonly drop: readonly string[];
}

/** What makes one price file of the one that the same store was sent before. */
export interface PriceFileChange {
  readonly madeAt: string;
  readonly goodUntil: string;
  readonly key: string;
  /** All of the plan but items and promotions; null: as it was. */
  readonly rest: Omit<PlanDocument, 'items' | 'promotions'> | null;
  readonly items: KeyedChange<ItemDocument>;
  readonly promotions: KeyedChange<PromotionDocument>;
}

/** @param before what the file before held, as digests. */
export function changeTo(
  before: Manifest,
  manifest: Manifest,
  { madeAt, goodUntil, key, plan: { items, promotions, ...rest } }: Required<PriceFileContent>,
): PriceFileChange {
  const keyed = <T>(
    all: readonly T[],
    keyOf: (one: T) => string,
    of: 'items' | 'promotions',
  ): KeyedChange<T> => {
    const { added, changed, gone } = difference(before[of], manifest[of]);
    const put = new Set([...added, ...changed]);
    return { put: all.filter((one) => put.has(keyOf(one))), drop: gone };
  };
  return {
    ...{ madeAt, goodUntil, key },
    rest: before.other === manifest.other ? null : rest,
    items: keyed(items, ({ sku }) => sku, 'items'),
    promotions: keyed(promotions, ({ id }) => id, 'promotions'),
  };
}

/** The file that comes out. Whether it is the right one says its signature alone. */
export function changed(
  { plan: before, ...file }: PriceFileContent,
  number: number,
  { madeAt, goodUntil, key, rest, items, promotions }: PriceFileChange,
): PriceFileContent {
  const { items: oldItems, promotions: oldPromotions, ...old } = before;
  return {
    ...{ ...file, number, madeAt, goodUntil, key },
    plan: {
      ...(rest ?? old),
      items: merged(oldItems, items, ({ sku }) => sku),
      promotions: merged(oldPromotions, promotions, ({ id }) => id),
    },
  };
}

function merged<T>(before: readonly T[], { put, drop }: KeyedChange<T>, keyOf: (one: T) => string): T[] {
  const byKey = new Map(before.map((one) => [keyOf(one), one]));
  for (const key of drop) byKey.delete(key);
  for (const one of put) byKey.set(keyOf(one), one);
  return ordered([...byKey.values()], keyOf);
}

/** Items and promotions in the order of their keys, by code units: a price file is made from another in one way only. */
export const inKeyOrder = (plan: PlanDocument): PlanDocument => ({
  ...plan,
  items: ordered(plan.items, ({ sku }) => sku),
  promotions: ordered(plan.promotions, ({ id }) => id),
});

const ordered = <T>(all: readonly T[], keyOf: (one: T) => string): T[] =>
  all
    .map((one) => ({ one, key: keyOf(one) }))
    .sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0))
    .map(({ one }) => one);
