import type { SheetResult } from './run-passes.ts';
import type { SheetLine } from './sheet-line.ts';

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
  'differs',
  'stays',
  'removed',
] as const;
export type SheetFilter = (typeof SHEET_FILTERS)[number];

export const SHEET_COLUMNS = [
  'sku',
  'name',
  'place',
  'regular',
  'basis',
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

type Test = (line: SheetLine, result: SheetResult, look: Looked) => boolean;

interface Looked {
  readonly floor: number | null;
  /** Items that have a price of their own in more than one place. */
  readonly differing: ReadonlySet<string>;
}

const TESTS: Readonly<Record<SheetFilter, Test>> = {
  all: (_, { removed }) => !removed,
  'below-cost': (_, { price, cost, removed }) => !removed && price !== null && cost !== null && price < cost,
  'below-floor': (_, { margin, removed }, { floor }) =>
    !removed && floor !== null && margin !== null && margin < floor,
  rises: ({ regular }, { price, removed }) => !removed && price !== null && price > regular,
  unchanged: ({ now, nowLow }, { price, removed }) => !removed && price === now && price === nowLow,
  'no-price': ({ stays }, { price, removed }) => !removed && price === null && !stays,
  'by-hand': (_, { origin, removed }) => !removed && origin === 'own',
  elsewhere: ({ reducedBy }, { removed }) => !removed && reducedBy.length > 0,
  differs: ({ sku }, { removed }, { differing }) => !removed && differing.has(sku),
  stays: ({ stays }, { price, removed }) => !removed && stays && price === null,
  removed: (_, { removed }) => removed,
};

function lookedAt(lines: readonly SheetLine[], floor: number | null): Looked {
  const seen = new Set<string>();
  const differing = new Set<string>();
  for (const { sku, since } of lines) {
    if (since !== null) continue;
    if (seen.has(sku)) differing.add(sku);
    seen.add(sku);
  }
  return { floor, differing };
}

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
  const looked = lookedAt(lines, floor);
  lines.forEach((line, i) => {
    for (const filter of SHEET_FILTERS) if (TESTS[filter](line, results[i]!, looked)) counts[filter]++;
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
  const looked = lookedAt(lines, marginFloor);
  lines.forEach((line, i) => {
    if (!TESTS[filter](line, results[i]!, looked)) return;
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
    if (field === 'sku' || field === 'name' || field === 'place' || field === 'regular' || field === 'now')
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
  readonly items: number;
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
  /** The number of the line with the lowest margin; null where no cost is known. */
  readonly worst: number | null;
}

/** One unit in each store of every line that has a new price. */
export function sheetSums(lines: readonly SheetLine[], results: readonly SheetResult[]): SheetSums {
  const items = new Set<string>();
  let worst: number | null = null;
  const sums = { lines: 0, regular: 0, price: 0, cost: 0, priceWithCost: 0, before: 0 };
  lines.forEach((line, i) => {
    const { price, cost, removed } = results[i]!;
    if (removed || price === null || line.since !== null) return;
    const { stores } = line;
    items.add(line.sku);
    sums.lines++;
    sums.regular += line.regular * stores;
    sums.price += price * stores;
    if (cost === null) return;
    sums.cost += cost * stores;
    sums.priceWithCost += price * stores;
    sums.before += line.now * stores;
    if (worst === null || marginIn(results, i) < marginIn(results, worst)) worst = i;
  });
  const { before, ...rest } = sums;
  const earned = sums.priceWithCost - sums.cost;
  return {
    ...rest,
    items: items.size,
    worst,
    margin: sums.priceWithCost === 0 ? null : Math.floor((earned * 10_000) / sums.priceWithCost),
    change: sums.regular === 0 ? null : Math.round(((sums.price - sums.regular) * 10_000) / sums.regular),
    breakEven: earned <= 0 ? null : Math.ceil((Math.max(0, before - sums.cost) * 100) / earned),
  };
}

const marginIn = (results: readonly SheetResult[], line: number): number =>
  results[line]!.margin ?? Number.NEGATIVE_INFINITY;
