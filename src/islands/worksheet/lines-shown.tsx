import { handPricedItems } from '../../core/worksheet/index.ts';
import { Sheet, type SheetColumn } from '../sheet/index.ts';
import { cellKey } from './typed-cells.ts';
import type { SheetAt } from './use-sheet-desk.ts';

/** The lines that are looked at, to be typed into; or why there are none. */
export function LinesShown({
  at,
  columns,
  locked,
}: {
  at: SheetAt;
  columns: readonly SheetColumn[];
  locked: boolean;
}) {
  const { desk, tell, sheet, answer, shown, rowAt } = at;
  const { wrong, sort } = desk;
  const begun = sheet.passes.length > 0 || handPricedItems(sheet).length > 0;
  return (
    <>
      <div className="mt-2">
        {shown > 0 ? (
          <Sheet
            name="Lines of the worksheet"
            columns={columns}
            count={shown}
            rowAt={rowAt}
            onEdit={at.onEdit}
            onUndo={at.onUndo}
            onRedo={at.onRedo}
            onDeleteRows={locked ? undefined : at.onPutAside}
            onBlock={(rows) => tell({ type: 'held', rows })}
            sort={sort}
            onSort={(field) => tell({ type: 'sorted', field: field as never })}
            noteAt={(row, field) => {
              const fault = wrong.get(cellKey(row.key, field));
              return fault ? { words: fault.words, wrong: true } : null;
            }}
            height="max(20rem, 100vh - 12rem)"
          />
        ) : (
          <p className="quiet py-4">
            {!begun
              ? 'Begin with a pass over some goods, or paste lines.'
              : answer
                ? 'No line here.'
                : 'Working it out …'}
          </p>
        )}
      </div>
      {wrong.size > 0 ? (
        <p role="alert" className="mt-2 text-error text-sm">
          {[...wrong.values()]
            .map(({ words }) => words)
            .slice(0, 3)
            .join('; ')}
        </p>
      ) : null}
    </>
  );
}
