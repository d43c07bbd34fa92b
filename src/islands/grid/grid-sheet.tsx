import { useCallback, useSyncExternalStore } from 'react';
import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import { Sheet } from '../sheet/index.ts';
import { ColumnHead } from './column-head.tsx';
import { type DrawnColumn, titleOf } from './columns.ts';
import type { GridDesk, GridEvent } from './desk.ts';
import { GridCell } from './grid-cell.tsx';
import { pricesSeen } from './prices-seen.ts';
import type { GridAt } from './use-grid.ts';

/** The columns before the first price. */
const OF_GOODS = 1;
/** Rem of a column: one price, or two. */
const WIDTH = { one: 8.5, two: 12 };

type Place = { row: number; field: string };

/** The plane of prices. */
export function GridSheet({
  grid,
  columns,
  goods,
  desk,
  tell,
  view,
  onActive,
}: {
  grid: GridAt;
  columns: readonly DrawnColumn[];
  goods: number;
  desk: GridDesk;
  tell: (event: GridEvent) => void;
  view: LensView;
  onActive: (place: Place) => void;
}) {
  const { onColumns } = grid;
  const narrow = useNarrow();
  const byField = new Map(columns.map((column) => [column.field, column]));
  const onShowColumns = useCallback(
    (first: number, last: number) => {
      const at = (drawn: number) => columns[Math.max(0, drawn - OF_GOODS)]?.column ?? 0;
      onColumns(at(first), at(last));
    },
    [columns, onColumns],
  );
  const open = ({ row, field }: Place) => {
    const sku = grid.rowAt(row)?.sku;
    const where = byField.get(field)?.stores[0]?.id ?? view.lens.where;
    if (sku) location.assign(`/check/price${lensQuery({ ...view.lens, where }, { item: sku })}`);
  };
  return (
    <Sheet
      name="Prices of goods by stores"
      count={goods}
      height="max(20rem, 100vh - 20rem)"
      columns={[
        { field: 'name', title: 'Item', width: narrow ? 10 : 20, grows: true, editable: false },
        ...columns.map((column) => ({
          field: column.field,
          title: titleOf(column.stores),
          head: <ColumnHead column={column} open={desk.open} tell={tell} />,
          width: desk.against ? WIDTH.two : WIDTH.one,
          figure: true,
          editable: false,
        })),
      ]}
      rowAt={(index) => {
        const row = grid.rowAt(index);
        if (!row) return null;
        const priceIn = (column: DrawnColumn) => {
          const seen = grid.cellAt(index, column.column);
          return (seen && pricesSeen(seen.cell, column)[0]?.price[0]) ?? '';
        };
        const prices = columns.map((column) => [column.field, priceIn(column)]);
        return { key: row.sku, cells: { name: row.name, ...Object.fromEntries(prices) } };
      }}
      drawCell={(_, field, index) => {
        const column = byField.get(field);
        if (!column) return undefined;
        const seen = grid.cellAt(index, column.column);
        return seen ? <GridCell cell={seen.cell} column={column} /> : '…';
      }}
      onShow={grid.onShow}
      onShowColumns={onShowColumns}
      onActive={onActive}
      onOpen={open}
      onEdit={() => {}}
    />
  );
}

const NARROW = '(max-width: 640px)';

/** Whether the page is that of a phone. */
const useNarrow = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const media = matchMedia(NARROW);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => matchMedia(NARROW).matches,
    () => false,
  );
