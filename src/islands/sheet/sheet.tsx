import { SheetCell } from './sheet-cell.tsx';
import { SheetHead } from './sheet-head.tsx';
import type { SheetProps } from './sheet-props.ts';
import { ROW_HEIGHT, useSheet } from './use-sheet.ts';

/** A table of cells that is moved over with the keys, typed into, copied from and pasted into; only what is seen is drawn. */
export function Sheet(props: SheetProps) {
  const { name, columns, count, rowAt, noteAt, drawCell, height = 'max(22rem, 100vh - 19rem)' } = props;
  const at = useSheet(props);
  const template = columns
    .map(({ width, grows }) => (grows ? `minmax(${width}rem, 1fr)` : `${width}rem`))
    .join(' ');
  // Every row is a grid of its own: only one and the same width makes their columns stand under each other.
  const width = `max(100%, ${columns.reduce((sum, column) => sum + column.width, 0)}rem)`;
  return (
    <div
      ref={at.scroller}
      role="grid"
      tabIndex={0}
      aria-label={name}
      aria-rowcount={count + 1}
      aria-colcount={columns.length}
      aria-multiselectable="true"
      aria-activedescendant={count > 0 ? at.cellId(at.block.active) : undefined}
      className="sheet"
      style={{ height: `min(${height}, ${(count + 1) * ROW_HEIGHT + 18}px)` }}
      onKeyDown={at.onKeyDown}
      onCopy={at.onCopy}
      onCut={at.onCut}
      onPaste={at.onPaste}
      onFocus={at.onFocus}
    >
      <SheetHead {...props} drawn={at.across.drawn} template={template} width={width} />
      <div role="rowgroup" className="relative" style={{ height: at.rows.getTotalSize() }}>
        {at.drawn.map(({ index, start }) => {
          const row = rowAt(index);
          return (
            <div
              key={index}
              role="row"
              aria-rowindex={index + 2}
              className="sheet-row"
              style={{ width, gridTemplateColumns: template, transform: `translateY(${start}px)` }}
            >
              {at.across.drawn.map((i) => (
                <SheetCell
                  key={columns[i]!.field}
                  cell={{ row: index, column: i }}
                  column={columns[i]!}
                  {...{ at, row, noteAt, drawCell }}
                />
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}
