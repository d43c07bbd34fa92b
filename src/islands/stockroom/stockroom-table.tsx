import { useCallback, useDeferredValue, useState } from 'react';
import { type Cells, KEY_MARK, type TableName, tableOf } from '../../contracts/table/index.ts';
import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import type { ItemRule } from '../../core/plan/index.ts';
import { readCell, saidCell, saidCount } from '../../ui/writing/index.ts';
import { ask, type Refusal, refusalOf, useLeaveWarning, WithServer } from '../server/index.ts';
import { Sheet, type SheetRow } from '../sheet/index.ts';
import { AddRow } from './add-row.tsx';
import { pageOf, sheetColumns } from './columns.ts';
import { GoodsFilter } from './goods-filter.tsx';
import { useEdits } from './use-edits.ts';
import { useRows } from './use-rows.ts';
import { WaitsNote } from './waits-note.tsx';

export interface StockroomTableProps {
  readonly table: TableName;
  readonly view: LensView;
  /** Whether the person may change this table. */
  readonly edits: boolean;
  /** Whether the person sees what goods cost. */
  readonly costs: boolean;
  /** Only the items that the store of the lens carries, and through which range. */
  readonly carried?: boolean;
}

export function StockroomTable(props: StockroomTableProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

/** What these hold is chosen on their own page: a new one holds nothing yet. */
const RULED: readonly TableName[] = ['itemSets', 'storeGroups', 'ranges'];

type Sort = { readonly field: string; readonly descending: boolean } | null;

function Desk({ table, view, edits, costs, carried = false }: StockroomTableProps) {
  const { title, one } = tableOf(table);
  const [text, setText] = useState('');
  const sought = useDeferredValue(text.trim());
  const [sort, setSort] = useState<Sort>(null);
  const [rule, setRule] = useState<ItemRule | null>(null);
  const [adding, setAdding] = useState(false);
  const [held, setHeld] = useState({ first: 0, last: 0 });
  const [dropping, setDropping] = useState<Refusal | null>(null);
  const [said, setSaid] = useState('');
  const [heldBack, setHeldBack] = useState(false);
  const [added, setAdded] = useState<string | null>(null);
  const query = new URLSearchParams({ store: view.store.id, at: view.at });
  if (sought) query.set('q', sought);
  if (sort) query.set('sort', sort.field);
  if (sort?.descending) query.set('desc', '1');
  if (carried) query.set('carried', '1');
  if (rule) query.set('rule', JSON.stringify(rule));
  const rows = useRows(`/api/stockroom/${table}?${query}`);
  const changes = useEdits(table, rows.again);
  useLeaveWarning(changes.pending.size > 0);
  const columns = sheetColumns(table, { edits, carried, costs });
  const rowAt = (index: number) => withPending(rows.rowAt(index), changes.pending);
  const links = lensQuery(view.lens);
  const onBlock = useCallback((block: typeof held) => setHeld(block), []);
  const heldRows = () =>
    Array.from({ length: Math.min(held.last - held.first + 1, 500) }, (_, i) =>
      rows.rowAt(held.first + i),
    ).filter((row) => row !== null);
  const count = heldRows().length;
  const heldPage = count === 1 ? pageOf(table, heldRows()[0]!.cells, links) : null;
  const addedPage = added && pageOf(table, { [table === 'items' ? 'sku' : 'id']: added }, links);

  /** Items go by retiring them, so that the past keeps its names; everything else is taken away where nothing needs it. */
  async function drop() {
    setDropping(null);
    const keys = heldRows().map(({ key }) => key);
    const retired = view.at.slice(0, 10);
    const body =
      table === 'items'
        ? { edits: keys.map((key) => ({ key, cells: { retired } })), drops: [] }
        : { edits: [], drops: keys };
    try {
      const { waits } = await ask<{ waits: number | null }>(`/api/stockroom/${table}`, {
        method: 'POST',
        body,
      });
      await rows.again();
      setAdded(null);
      setHeldBack(waits !== null);
      if (waits !== null) return;
      setSaid(table === 'items' ? `${keys.length} retired from ${retired}.` : `${keys.length} taken away.`);
    } catch (error) {
      setDropping(refusalOf(error));
    }
  }

  const refusal = changes.refusal ?? dropping ?? rows.refusal;
  const nothing = rows.total === 0;
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <input
          type="search"
          data-search=""
          className="input input-sm w-64"
          placeholder={`Find among ${title.toLowerCase()} …`}
          aria-label={`Find among ${title.toLowerCase()}`}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        {table === 'items' ? <GoodsFilter rule={rule} view={view} onChange={setRule} /> : null}
        <span className="quiet text-sm" role="status">
          {rows.total === null ? 'Looking …' : `${saidCount(rows.total)} ${title.toLowerCase()}`}
        </span>
        <span className="ml-auto flex flex-wrap gap-2">
          {edits && changes.canUndo ? (
            <button type="button" className="btn btn-ghost btn-sm" onClick={changes.undo}>
              Undo
            </button>
          ) : null}
          {heldPage ? (
            <a className="btn btn-sm" href={heldPage.href}>
              Open this {table === 'prices' || table === 'listPrices' || table === 'setItems' ? 'item' : one}
            </a>
          ) : null}
          {edits && count > 0 ? (
            <button type="button" className="btn btn-sm" onClick={drop}>
              {table === 'items' ? 'Retire' : 'Take away'}{' '}
              {count === 1 ? `this ${one}` : `these ${saidCount(count)}`}
            </button>
          ) : null}
          {edits ? (
            <button
              type="button"
              className="btn btn-primary btn-sm"
              aria-expanded={adding}
              onClick={() => setAdding(!adding)}
            >
              Add {one === 'item' ? 'an' : 'a'} {one}
            </button>
          ) : null}
        </span>
      </div>
      {adding ? (
        <AddRow
          table={table}
          onDone={async (keys, waits) => {
            setAdding(false);
            setHeldBack(waits);
            if (waits) return;
            setSaid(`Added: ${keys.join(', ').replaceAll(KEY_MARK, ' ').trim()}.`);
            setAdded(keys.length === 1 && !keys[0]!.includes(KEY_MARK) ? keys[0]! : null);
            await rows.again();
          }}
        />
      ) : null}
      {said ? (
        <p className="mt-2 text-sm" role="status">
          {said}{' '}
          {addedPage ? (
            <a className="link" href={addedPage.href}>
              {RULED.includes(table) ? `Choose what this ${one} holds` : `Open this ${one}`}
            </a>
          ) : null}
        </p>
      ) : null}
      {heldBack || changes.waits ? <WaitsNote query={links} /> : null}
      {refusal ? <Refused refusal={refusal} onGiveUp={changes.refusal ? changes.giveUp : null} /> : null}
      <div className="mt-3">
        {nothing ? (
          <p className="quiet py-6">
            {text || rule ? `No ${one} matches that.` : `There is no ${one} yet.`}{' '}
            {edits && !adding ? (
              <button type="button" className="link" onClick={() => setAdding(true)}>
                Add one
              </button>
            ) : null}
          </p>
        ) : (
          <Sheet
            name={title}
            columns={columns}
            count={rows.total ?? 0}
            rowAt={rowAt}
            onShow={rows.onShow}
            onBlock={onBlock}
            onEdit={(cells) =>
              changes.edit(
                cells.map((cell) => ({ ...cell, text: readCell(table, cell.field, cell.text) })),
                rows.rowAt,
              )
            }
            onUndo={changes.undo}
            sort={sort}
            onSort={(field) =>
              setSort(
                sort?.field !== field
                  ? { field, descending: false }
                  : sort.descending
                    ? null
                    : { field, descending: true },
              )
            }
            noteAt={(row, field) => {
              const cell = changes.pending.get(row.key)?.[field];
              if (!cell) return null;
              return cell.fault === null
                ? { words: 'being saved', wrong: false }
                : { words: cell.fault, wrong: true };
            }}
            drawCell={(row, field) => {
              const page = pageOf(table, row.cells, links);
              return page?.field === field ? (
                <a
                  className="underline decoration-base-content/30 underline-offset-3 hover:decoration-current"
                  href={page.href}
                  tabIndex={-1}
                >
                  {row.cells[field]}
                </a>
              ) : (
                saidCell(table, field, row.cells[field] ?? '')
              );
            }}
          />
        )}
      </div>
    </>
  );
}

function withPending(row: SheetRow | null, pending: ReturnType<typeof useEdits>['pending']): SheetRow | null {
  const cells = row && pending.get(row.key);
  if (!row || !cells) return row;
  const typed: Cells = Object.fromEntries(Object.entries(cells).map(([field, { text }]) => [field, text]));
  return { ...row, cells: { ...row.cells, ...typed } };
}

const SHOWN = 6;

function Refused({ refusal, onGiveUp }: { refusal: Refusal; onGiveUp: (() => void) | null }) {
  const rest = refusal.faults.length - SHOWN;
  return (
    <div role="alert" className="mt-3 border-error border-l-4 pl-3 text-sm">
      <p>
        {refusal.message}{' '}
        {onGiveUp ? (
          <>
            What you typed is still in the cells, underlined.{' '}
            <button type="button" className="link" onClick={onGiveUp}>
              Put back what was there
            </button>
          </>
        ) : null}
      </p>
      <ul>
        {refusal.faults.slice(0, SHOWN).map(({ path, message }) => (
          <li key={path + message}>{message}</li>
        ))}
      </ul>
      {rest > 0 ? <p className="quiet">and {rest} more</p> : null}
    </div>
  );
}
