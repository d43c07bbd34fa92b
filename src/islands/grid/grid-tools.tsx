import { type Choices, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import type { GridDesk, GridEvent } from './desk.ts';
import { HeldAgainst } from './held-against.tsx';
import { NodeChoice } from './node-choice.tsx';
import type { GridAt } from './use-grid.ts';

/** Which goods are looked at, what their prices are held against, how many there are, and out to a file. */
export function GridTools({
  desk,
  tell,
  view,
  choices,
  grid: { head, isPending },
  question,
}: {
  desk: GridDesk;
  tell: (event: GridEvent) => void;
  view: LensView;
  choices: Choices | undefined;
  grid: GridAt;
  question: string;
}) {
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <input
          type="search"
          data-search=""
          className="input input-sm w-60"
          placeholder="Name, SKU or barcode"
          aria-label="Find among the goods"
          value={desk.text}
          onChange={({ target }) => tell({ type: 'searched', text: target.value })}
        />
        <NodeChoice
          nodes={choices?.nodes ?? []}
          chosen={desk.node}
          none="All goods"
          onChoose={(node) => tell({ type: 'narrowed', node })}
        />
        <HeldAgainst desk={desk} tell={tell} view={view} choices={choices} />
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1 text-sm">
        <span className="quiet" role="status">
          {head && !isPending ? sizeWords(head) : 'Working out the prices …'}
        </span>
        {desk.against && head ? (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={desk.onlyChanged}
              onChange={({ target }) => tell({ type: 'only-changed', on: target.checked })}
            />
            {head.changed === null
              ? 'Only what costs something else'
              : `Only the ${saidCount(head.changed)} that cost something else`}
          </label>
        ) : null}
        {view.lens.where ? (
          <a className="link" href={`/check${lensQuery({ ...view.lens, where: null })}`}>
            Show all stores
          </a>
        ) : null}
        <span className="ml-auto flex gap-3">
          {(['csv', 'xlsx'] as const).map((kind) => (
            <a
              key={kind}
              className="link"
              href={`/api/grid/file?${question}&kind=${kind}`}
              download={`prices.${kind}`}
            >
              {kind.toUpperCase()}
            </a>
          ))}
        </span>
      </div>
    </>
  );
}

function sizeWords({ goods, stores, currency }: { goods: number; stores: number; currency: string }): string {
  const of = (count: number, one: string, more: string) => `${saidCount(count)} ${count === 1 ? one : more}`;
  return `${of(goods, 'item', 'items')} in ${of(stores, 'store', 'stores')}, in ${currency}`;
}
