import {
  done,
  type GridCellView,
  type GridQuestion,
  invalid,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { type LaidGrid, layOutGrid, rowsOf } from './look-at-grid.ts';

/** As many cells as a spreadsheet is opened with in good time. */
const MOST_CELLS = 2_000_000;

export interface GridFile {
  readonly columns: readonly {
    readonly field: string;
    readonly title: string;
    readonly kind: 'text' | 'amount';
  }[];
  readonly rows: readonly Readonly<Record<string, string>>[];
}

/** The whole grid as a table: a column for each store, in the order of the grid, and a second one where prices are held against others. */
export async function gridFile(
  ports: Parameters<typeof layOutGrid>[0],
  person: Person,
  asked: GridQuestion,
  now: Instant,
): Promise<Outcome<GridFile>> {
  const laid = await layOutGrid(ports, person, asked, now);
  if (!laid.ok) return laid;
  const grid = laid.value;
  if (grid.goods.length * grid.stores.length > MOST_CELLS)
    return invalid(
      ['where'],
      `${grid.goods.length} goods in ${grid.stores.length} stores are more than a spreadsheet opens well`,
      `fewer stores or goods: up to ${MOST_CELLS} prices`,
    );
  const stores = grid.columns.flatMap((column) => column.stores);
  const each = { ...grid, columns: stores.map((store) => ({ stores: [store] })) };
  const { rows } = rowsOf(each, { first: 0, last: grid.goods.length, left: 0, right: stores.length });
  return done({
    columns: [
      { field: 'sku', title: 'SKU', kind: 'text' },
      { field: 'name', title: 'Item', kind: 'text' },
      { field: 'group', title: 'Group of goods', kind: 'text' },
      ...stores.flatMap((store, c) => headsOf(store, c, grid)),
    ],
    rows: rows.map(({ cells, ...row }) => Object.assign({ ...row }, ...cells.map(fieldsOf))),
  });
}

function headsOf(store: string, c: number, { compiled, sides }: LaidGrid): GridFile['columns'][number][] {
  const title = compiled.stores.get(store)!.name;
  const price = { field: `price${c}`, title, kind: 'amount' } as const;
  return sides.was ? [price, { field: `was${c}`, title: `${title}, held against`, kind: 'amount' }] : [price];
}

function fieldsOf([[first]]: GridCellView, c: number): Record<string, string> {
  const [price, , was] = first ?? [null, -1];
  return { [`price${c}`]: price ?? '', ...(was == null ? {} : { [`was${c}`]: was }) };
}
