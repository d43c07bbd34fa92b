import type { GridStoreView, GridView } from '../../contracts/view/index.ts';

/** A column as it is drawn: stores with equal prices, or one of them where they stand open. */
export interface DrawnColumn {
  readonly field: string;
  /** The number of the grid's column that it shows. */
  readonly column: number;
  readonly stores: readonly GridStoreView[];
  /** Which of the column's stores it is, where several were opened; null: all of them. */
  readonly within: number | null;
}

/** The columns of a grid, each followed by its stores where it stands open. */
export const drawnColumns = (columns: GridView['columns'], open: ReadonlySet<string>): DrawnColumn[] =>
  columns.flatMap(({ stores }, column) => [
    { field: `c${column}`, column, stores, within: null },
    ...(stores.length > 1 && open.has(stores[0]!.id)
      ? stores.map((store, within) => ({ field: `c${column} ${store.id}`, column, stores: [store], within }))
      : []),
  ]);

export const titleOf = (stores: readonly GridStoreView[]): string =>
  stores.length === 1 ? stores[0]!.name : `${stores.length} stores`;
