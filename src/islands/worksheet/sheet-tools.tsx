import { Filters } from './filters.tsx';
import type { SheetAt } from './use-sheet-desk.ts';

/** Which lines are looked at, and what is done with those that are chosen. */
export function SheetTools({ at, locked, regular }: { at: SheetAt; locked: boolean; regular: boolean }) {
  const { desk, tell, answer, shown, heldCount, onPutAside } = at;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2">
      <input
        type="search"
        data-search=""
        className="input input-sm w-52"
        placeholder="Find a line …"
        aria-label="Find a line"
        value={desk.text}
        onChange={(event) => tell({ type: 'searched', text: event.target.value })}
      />
      {answer ? (
        <Filters
          counts={answer.counts}
          chosen={desk.filter}
          regular={regular}
          onChange={(filter) => tell({ type: 'filtered', filter })}
        />
      ) : null}
      {!locked && shown > 0 ? (
        <button type="button" className="btn btn-sm ml-auto" onClick={onPutAside}>
          {desk.filter === 'removed' ? 'Put back' : 'Take out'}{' '}
          {heldCount === 1 ? 'this line' : `these ${heldCount}`}
        </button>
      ) : null}
    </div>
  );
}
