import type { SheetResult } from './run-passes.ts';
import type { SheetLine } from './sheet-lines.ts';

/** Which lines are looked at. */
export const SHEET_FILTERS = [
  'all',
  'below-cost',
  'below-floor',
  'rises',
  'unchanged',
  'no-price',
  'by-hand',
  'elsewhere',
  'removed',
] as const;
export type SheetFilter = (typeof SHEET_FILTERS)[number];

export const SHEET_COLUMNS = [
  'sku',
  'name',
  'regular',
  'now',
  'price',
  'change',
  'cost',
  'margin',
  'breakEven',
  'origin',
] as const;
export type SheetColumnName = (typeof SHEET_COLUMNS)[number];

export interface SheetLook {
  readonly filter: SheetFilter;
  readonly text: string;
  readonly sort: { readonly field: SheetColumnName; readonly descending: boolean } | null;
  readonly marginFloor: number | null;
}

type Test = (line: SheetLine, result: SheetResult, floor: number | null) => boolean;

const TESTS: Readonly<Record<SheetFilter, Test>> = {
  all: (_, { removed }) => !removed,
  'below-cost': (_, { price, cost, removed }) => !removed && price !== null && cost !== null && price < cost,
  'below-floor': (_, { margin, removed }, floor) =>
    !removed && floor !== null && margin !== null && margin < floor,
  rises: ({ regular }, { price, removed }) => !removed && price !== null && price > regular,
  unchanged: ({ now }, { price, removed }) => !removed && price === now,
  'no-price': (_, { price, removed }) => !removed && price === null,
  'by-hand': (_, { origin, removed }) => !removed && origin === 'own',
  elsewhere: ({ reducedBy }, { removed }) => !removed && reducedBy.length > 0,
  removed: (_, { removed }) => removed,
};

/** How many lines each filter would show. */
export function filterCounts(
  lines: readonly SheetLine[],
  results: readonly SheetResult[],
  floor: number | null,
): Record<SheetFilter, number> {
  const counts = Object.fromEntries(SHEET_FILTERS.map((filter) => [filter, 0])) as Record<
    SheetFilter,
    number
  >;
  lines.forEach((line, i) => {
    for (const filter of SHEET_FILTERS) if (TESTS[filter](line, results[i]!, floor)) counts[filter]++;
  });
  return counts;
}

/** Numbers of the lines that are looked at, in their order on the screen. */
export function shownLines(
  lines: readonly SheetLine[],
  results: readonly SheetResult[],
  { filter, text, sort, marginFloor }: SheetLook,
): Int32Array {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found: number[] = [];
  lines.forEach((line, i) => {
    if (!TESTS[filter](line, results[i]!, marginFloor)) return;
    const all = words.length === 0 ? '' : `${line.sku} ${line.name}`.toLowerCase();
    if (words.every((word) => all.includes(word))) found.push(i);
  });
  if (sort) {
    const way = sort.descending ? -1 : 1;
    const of = sortValue(sort.field, lines, results);
    found.sort((a, b) => way * compare(of(a), of(b)) || a - b);
  }
  return Int32Array.from(found);
}

function sortValue(field: SheetColumnName, lines: readonly SheetLine[], results: readonly SheetResult[]) {
  return (i: number): string | number | null => {
    if (field === 'sku' || field === 'name' || field === 'regular' || field === 'now')
      return lines[i]![field];
    const { origin } = results[i]!;
    if (field === 'origin') return origin === 'own' ? -1 : origin;
    return results[i]![field];
  };
}

function compare(a: string | number | null, b: string | number | null): number {
  if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1;
  return a < b ? -1 : a > b ? 1 : 0;
}

export interface SheetSums {
  readonly lines: number;
  readonly regular: number;
  readonly price: number;
  /** Of the lines whose cost is known, as are the next two. */
  readonly cost: number;
  readonly priceWithCost: number;
  /** Basis points of the price, one of each line. */
  readonly margin: number | null;
  /** Basis points of the regular prices, signed. */
  readonly change: number | null;
  /** Hundredths: so many times as many units, were each line sold alike, to earn the same as now. Null: never. */
  readonly breakEven: number | null;
}

/** One unit of every line that has a new price. */
export function sheetSums(lines: readonly SheetLine[], results: readonly SheetResult[]): SheetSums {
  const sums = { lines: 0, regular: 0, price: 0, cost: 0, priceWithCost: 0, before: 0 };
  lines.forEach((line, i) => {
    const { price, cost, removed } = results[i]!;
    if (removed || price === null) return;
    sums.lines++;
    sums.regular += line.regular;
    sums.price += price;
    if (cost === null) return;
    sums.cost += cost;
    sums.priceWithCost += price;
    sums.before += line.now;
  });
  const { before, ...rest } = sums;
  const earned = sums.priceWithCost - sums.cost;
  return {
    ...rest,
    margin: sums.priceWithCost === 0 ? null : Math.floor((earned * 10_000) / sums.priceWithCost),
    change: sums.regular === 0 ? null : Math.round(((sums.price - sums.regular) * 10_000) / sums.regular),
    breakEven: earned <= 0 ? null : Math.ceil((Math.max(0, before - sums.cost) * 100) / earned),
  };
}
