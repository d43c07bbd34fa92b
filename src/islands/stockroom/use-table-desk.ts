import { useCallback, useDeferredValue, useReducer } from 'react';
import { type Cells, tableOf } from '../../contracts/table/index.ts';
import { lensQuery } from '../../contracts/view/index.ts';
import { ask, refusalOf, useLeaveWarning } from '../server/index.ts';
import type { SheetRow } from '../sheet/index.ts';
import { pageOf } from './columns.ts';
import type { StockroomTableProps } from './stockroom-table.tsx';
import { rowsPath, TABLE_DESK, tableDeskAfter } from './table-desk.ts';
import { useEdits } from './use-edits.ts';
import { useRows } from './use-rows.ts';

/** More rows are not taken away in one go. */
const MOST_HELD = 500;

/** The desk of a table of the stockroom with the server behind it. */
export function useTableDesk({ table, view, carried = false }: StockroomTableProps) {
  const [desk, tell] = useReducer(tableDeskAfter, TABLE_DESK);
  const text = useDeferredValue(desk.text.trim());
  const rows = useRows(rowsPath(table, { ...desk, text }, { store: view.store.id, at: view.at, carried }));
  const changes = useEdits(table, rows.again);
  useLeaveWarning(changes.pending.size > 0);
  const { first, last } = desk.held;
  const held = Array.from({ length: Math.min(last - first + 1, MOST_HELD) }, (_, i) =>
    rows.rowAt(first + i),
  ).filter((row) => row !== null);
  const links = lensQuery(view.lens);
  const added = desk.last.kind === 'said' ? desk.last.added : null;

  return {
    desk,
    tell,
    table,
    title: tableOf(table).title,
    one: tableOf(table).one,
    links,
    rows,
    changes,
    held,
    /** The page of the one row that is chosen, and of the one that was added. */
    heldPage: held.length === 1 ? pageOf(table, held[0]!.cells, links) : null,
    addedPage: added && pageOf(table, { [table === 'items' ? 'sku' : 'id']: added }, links),
    rowAt: (index: number) => withPending(rows.rowAt(index), changes.pending),
    onBlock: useCallback((block: typeof desk.held) => tell({ type: 'held', rows: block }), []),
    async onAdded(keys: readonly string[], waits: boolean): Promise<void> {
      tell({ type: 'added', keys, waits });
      if (!waits) await rows.again();
    },
    /** Items go by retiring them, so that the past keeps its names; everything else is taken away where nothing needs it. */
    async onTakeAway(): Promise<void> {
      tell({ type: 'asked' });
      const keys = held.map(({ key }) => key);
      const retired = view.at.slice(0, 10);
      const items = table === 'items';
      const body = items
        ? { edits: keys.map((key) => ({ key, cells: { retired } })), drops: [] }
        : { edits: [], drops: keys };
      try {
        const path = `/api/stockroom/${table}`;
        const { waits } = await ask<{ waits: number | null }>(path, { method: 'POST', body });
        await rows.again();
        const words = items ? `${keys.length} retired from ${retired}.` : `${keys.length} taken away.`;
        tell({ type: 'taken-away', words, waits: waits !== null });
      } catch (error) {
        tell({ type: 'refused', refusal: refusalOf(error) });
      }
    },
  };
}

export type TableAt = ReturnType<typeof useTableDesk>;

function withPending(row: SheetRow | null, pending: ReturnType<typeof useEdits>['pending']): SheetRow | null {
  const cells = row && pending.get(row.key);
  if (!row || !cells) return row;
  const typed: Cells = Object.fromEntries(Object.entries(cells).map(([field, { text }]) => [field, text]));
  return { ...row, cells: { ...row.cells, ...typed } };
}
