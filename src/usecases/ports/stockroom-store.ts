import type { EntryChange } from '../../contracts/table/index.ts';

export type EntrySaved =
  | { readonly kind: 'saved'; readonly version: number }
  /** The plan changed after the change was checked; nothing was written. */
  | { readonly kind: 'moved-on' };

export interface ItemSearch {
  /** In lower case; an item holds every one of them in its number, barcode, name or brand. */
  readonly words: readonly string[];
  /** Only these. Null: all. */
  readonly among: readonly string[] | null;
  readonly sort: 'relevance' | 'position' | 'sku' | 'name' | 'brand' | 'gtin' | 'cost' | 'node' | 'retired';
  readonly descending: boolean;
  readonly offset: number;
  /** Null: all of them. */
  readonly limit: number | null;
  /** Whether to say how many there are beside those that are given; else the total is theirs. */
  readonly counted: boolean;
}

/** Port: the tables of the stockroom. */
export interface StockroomStore {
  findItems(search: ItemSearch): Promise<{ readonly skus: readonly string[]; readonly total: number }>;
  /** Writes a checked change in one transaction, where the plan still stands at the version it was checked against. */
  change(change: EntryChange, version: number, by: ChangedBy): Promise<EntrySaved>;
}

export interface ChangedBy {
  readonly person: string;
  readonly action: string;
  /** The number of a waiting change that it puts in its place. */
  readonly settles?: number;
  /** The entries of its keys as they stood before. */
  readonly standing: readonly object[];
}
