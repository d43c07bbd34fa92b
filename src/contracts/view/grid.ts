/** What the prices of a grid can be held against. */
export const AGAINSTS = ['date', 'known', 'held', 'shopper', 'store', 'promotion'] as const;
export type Against = (typeof AGAINSTS)[number];

/** A promotion's number in the view's list, or -1: none. */
type PromotionNumber = number;

/**
 * A price as decimal text, null where the item is not sold, and what made it; then the same of what it is held against,
 * where there is something. That one's promotion is told only where the price is another.
 */
export type GridPriceView =
  | readonly [price: string | null, by: PromotionNumber]
  | readonly [price: string | null, by: PromotionNumber, was: string | null, wasBy: PromotionNumber];

/** Some stores of a column, by number: four to a hexadecimal digit. */
type StoreSet = string;

/**
 * What an item costs in the stores of a column, the price of the most stores first, and which stores each of them is for;
 * without the latter there is one price for all. Stores that are in none do not sell it.
 */
export type GridCellView = readonly [
  prices: readonly GridPriceView[],
  stores?: readonly StoreSet[] | undefined,
];

export function writeStores(numbers: readonly number[]): StoreSet {
  const digits: number[] = [];
  for (const number of numbers) digits[number >> 2] = (digits[number >> 2] ?? 0) | (1 << (number & 3));
  return Array.from(digits, (digit) => (digit ?? 0).toString(16)).join('');
}

export const hasStore = (stores: StoreSet, number: number): boolean =>
  ((Number.parseInt(stores[number >> 2] ?? '0', 16) >> (number & 3)) & 1) === 1;

export interface GridRowView {
  readonly sku: string;
  readonly name: string;
  /** The name of its place in the hierarchy. */
  readonly group: string;
  /** One for each column that was asked for. */
  readonly cells: readonly GridCellView[];
}

export interface GridStoreView {
  readonly id: string;
  readonly name: string;
}

/** A part of a grid, and what the whole of it is. */
export interface GridView {
  readonly currency: string;
  /** Wall time, at each store by its own clock. */
  readonly at: string;
  readonly stores: number;
  readonly goods: number;
  /** How many goods cost something else somewhere; null where they are held against nothing, or are too many to tell. */
  readonly changed: number | null;
  /** Stores whose prices are the same but for some of their own, the most of them first. */
  readonly columns: readonly { readonly stores: readonly GridStoreView[] }[];
  /** Stores that have nothing to be held against, such as a price file. */
  readonly without: readonly GridStoreView[];
  readonly first: number;
  readonly rows: readonly GridRowView[];
  readonly promotions: readonly { readonly id: string; readonly name: string }[];
}
