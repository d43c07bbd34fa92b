import type { SheetProps } from './sheet-props.ts';

/** The heads of the columns; a press sorts by one, a second press the other way round. */
export function SheetHead({
  columns,
  sort,
  onSort,
  drawn,
  template,
  width,
}: SheetProps & { drawn: readonly number[]; template: string; width: string }) {
  return (
    <div role="rowgroup" className="sticky top-0 z-20">
      <div
        role="row"
        aria-rowindex={1}
        className="sheet-head"
        style={{ width, gridTemplateColumns: template }}
      >
        {drawn.map((at) => {
          const { field, title, head, figure, sortable } = columns[at]!;
          const sorted = sort?.field === field ? (sort.descending ? 'descending' : 'ascending') : undefined;
          return (
            <div
              key={field}
              role="columnheader"
              aria-colindex={at + 1}
              aria-sort={sorted}
              style={{ gridColumnStart: at + 1 }}
              className={`sheet-cell ${figure ? 'justify-end' : ''} ${at === 0 ? 'sheet-first' : ''}`}
            >
              {sortable && onSort ? (
                <button
                  type="button"
                  className="flex items-center gap-1 truncate"
                  onClick={() => onSort(field)}
                >
                  {title}
                  {sorted ? <span aria-hidden="true">{sort?.descending ? '↓' : '↑'}</span> : null}
                </button>
              ) : (
                (head ?? title)
              )}
            </div>
          );
        })}
      </div>
    </div>
  );
}
