import type { PlanDocument } from '../plan/index.ts';

export interface Difference<T> {
  readonly added: readonly T[];
  readonly changed: readonly { readonly before: T; readonly after: T }[];
  readonly gone: readonly T[];
}

/** What a store would get that it does not have yet. */
export interface StoreDifference {
  readonly promotions: Difference<PlanDocument['promotions'][number]>;
  readonly items: Difference<PlanDocument['items'][number]>;
  /** Whether anything else (lists, sets, groups, hierarchy) differs. */
  readonly other: boolean;
}

/** @param before the plan in the file sent last; null: nothing was sent yet. */
export function storeDifference(before: PlanDocument | null, after: PlanDocument): StoreDifference {
  const {
    promotions: oldPromotions = [],
    items: oldItems = [],
    ...oldRest
  } = before ?? ({} as Partial<PlanDocument>);
  const { promotions, items, ...rest } = after;
  return {
    promotions: difference(oldPromotions, promotions, ({ id }) => id),
    items: difference(oldItems, items, ({ sku }) => sku),
    other: stable(oldRest) !== stable(rest),
  };
}

export const isEmpty = ({ promotions, items, other }: StoreDifference): boolean =>
  !other &&
  [promotions, items].every(({ added, changed, gone }) => added.length + changed.length + gone.length === 0);

function difference<T>(
  before: readonly T[],
  after: readonly T[],
  keyOf: (entry: T) => string,
): Difference<T> {
  const old = new Map(before.map((entry) => [keyOf(entry), entry]));
  const now = new Set(after.map(keyOf));
  return {
    added: after.filter((entry) => !old.has(keyOf(entry))),
    changed: after.flatMap((entry) => {
      const earlier = old.get(keyOf(entry));
      return earlier !== undefined && stable(earlier) !== stable(entry)
        ? [{ before: earlier, after: entry }]
        : [];
    }),
    gone: before.filter((entry) => !now.has(keyOf(entry))),
  };
}

/** JSON with sorted keys and without undefined, so that equal values are equal texts. */
export function stable(value: unknown): string {
  return JSON.stringify(value, (_, entry: unknown) =>
    entry && typeof entry === 'object' && !Array.isArray(entry)
      ? Object.fromEntries(Object.entries(entry).sort(([a], [b]) => (a < b ? -1 : 1)))
      : entry,
  );
}
