import { type DrawnColumn, titleOf } from './columns.ts';
import type { GridDesk, GridEvent } from './desk.ts';

/** The head of a column: a store's name, or how many have equal prices, to be opened. */
export function ColumnHead({
  column: { stores, within },
  open,
  tell,
}: {
  column: DrawnColumn;
  open: GridDesk['open'];
  tell: (event: GridEvent) => void;
}) {
  const [first] = stores;
  if (stores.length === 1)
    return <span className={`truncate ${within === null ? '' : 'quiet'}`}>{titleOf(stores)}</span>;
  const isOpen = open.has(first!.id);
  return (
    <button
      type="button"
      className="flex items-center gap-1"
      aria-expanded={isOpen}
      title={stores.map(({ name }) => name).join(', ')}
      onClick={() => tell({ type: 'toggled', store: first!.id })}
    >
      <span aria-hidden="true">{isOpen ? '▾' : '▸'}</span>
      {titleOf(stores)}
    </button>
  );
}
