/** By which column rows are sorted; null: as they come. */
export type SortedBy<F extends string = string> = { readonly field: F; readonly descending: boolean } | null;

/** The head of a column pressed once: it rises; twice: it falls; thrice: the rows stand as they come. */
export function sortedBy<F extends string>(sort: SortedBy<F>, field: F): SortedBy<F> {
  if (sort?.field !== field) return { field, descending: false };
  return sort.descending ? null : { field, descending: true };
}
