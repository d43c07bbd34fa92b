import { useQueries } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import type { GridCellView, GridRowView, GridView } from '../../contracts/view/index.ts';
import { ask, type Refusal, refusalOf } from '../server/index.ts';

/** What the server tells at once. */
const ROWS = 120;
const COLUMNS = 48;

export interface GridCellSeen {
  readonly cell: GridCellView;
  readonly promotions: GridView['promotions'];
}

export interface GridAt {
  /** What the whole grid is; null: not here yet. While another is fetched, the one before. */
  readonly head: GridView | null;
  readonly isPending: boolean;
  readonly refusal: Refusal | null;
  readonly rowAt: (row: number) => GridRowView | null;
  readonly cellAt: (row: number, column: number) => GridCellSeen | null;
  readonly onShow: (first: number, last: number) => void;
  readonly onColumns: (first: number, last: number) => void;
}

/** The parts of a grid that are in sight. */
export function useGrid(question: string): GridAt {
  const [rows, setRows] = useState({ first: 0, last: 0 });
  const [columns, setColumns] = useState({ first: 0, last: 0 });
  const parts = span(rows, ROWS).flatMap((row) => span(columns, COLUMNS).map((column) => ({ row, column })));
  const pages = useQueries({
    queries: parts.map(({ row, column }) => ({
      queryKey: ['grid', question, row, column],
      queryFn: ({ signal }: { signal: AbortSignal }) =>
        ask<GridView>(
          `/api/grid?${question}&row=${row * ROWS}&column=${column * COLUMNS}`,
          undefined,
          signal,
        ),
      staleTime: 30_000,
    })),
  });
  const found = pages.find((page) => page.data)?.data ?? null;
  const [kept, setKept] = useState(found);
  if (found && found !== kept) setKept(found);
  const error = pages.find((page) => page.error)?.error;
  const pageAt = (row: number, column: number) =>
    pages[
      parts.findIndex(
        (part) => part.row === Math.floor(row / ROWS) && part.column === Math.floor(column / COLUMNS),
      )
    ]?.data;
  const rowIn = (row: number, column: number) => pageAt(row, column)?.rows[row % ROWS] ?? null;
  return {
    head: error ? null : (found ?? kept),
    isPending: !found && !error,
    refusal: error ? refusalOf(error) : null,
    rowAt: (row) => rowIn(row, columns.first),
    cellAt(row, column) {
      const cell = rowIn(row, column)?.cells[column % COLUMNS];
      return cell ? { cell, promotions: pageAt(row, column)!.promotions } : null;
    },
    onShow: useCallback((first, last) => setRows({ first, last }), []),
    onColumns: useCallback((first, last) => setColumns({ first, last }), []),
  };
}

/** The numbers of the parts that reach from one place to another. */
function span({ first, last }: { first: number; last: number }, size: number): number[] {
  const from = Math.floor(first / size);
  return Array.from({ length: Math.floor(last / size) - from + 1 }, (_, i) => from + i);
}
