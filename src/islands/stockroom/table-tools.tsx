import type { LensView } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { GoodsFilter } from './goods-filter.tsx';
import type { TableAt } from './use-table-desk.ts';

/** Which rows are looked at, how many there are, and what can be done with those that are chosen. */
export function TableTools({ at, view, edits }: { at: TableAt; view: LensView; edits: boolean }) {
  const { desk, tell, table, title, one, rows, changes, held, heldPage } = at;
  const find = `Find among ${title.toLowerCase()}`;
  const ofItem = table === 'prices' || table === 'listPrices' || table === 'setItems';
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <input
        type="search"
        data-search=""
        className="input input-sm w-64"
        placeholder={`${find} …`}
        aria-label={find}
        value={desk.text}
        onChange={(event) => tell({ type: 'searched', text: event.target.value })}
      />
      {table === 'items' ? (
        <GoodsFilter rule={desk.rule} view={view} onChange={(rule) => tell({ type: 'narrowed', rule })} />
      ) : null}
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
            Open this {ofItem ? 'item' : one}
          </a>
        ) : null}
        {edits && held.length > 0 ? (
          <button type="button" className="btn btn-sm" onClick={at.onTakeAway}>
            {table === 'items' ? 'Retire' : 'Take away'}{' '}
            {held.length === 1 ? `this ${one}` : `these ${saidCount(held.length)}`}
          </button>
        ) : null}
        {edits ? (
          <button
            type="button"
            className="btn btn-primary btn-sm"
            aria-expanded={desk.adding}
            onClick={() => tell({ type: 'adding', on: !desk.adding })}
          >
            Add {one === 'item' ? 'an' : 'a'} {one}
          </button>
        ) : null}
      </span>
    </div>
  );
}
