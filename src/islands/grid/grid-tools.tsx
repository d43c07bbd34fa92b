import { type Choices, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import type { GridDesk, GridEvent } from './desk.ts';
import { HeldAgainst } from './held-against.tsx';
import type { GridAt } from './use-grid.ts';

const ALL = '';

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
        <select
          className="select select-sm w-auto max-w-56"
          aria-label="Group of goods"
          value={desk.node ?? ALL}
          onChange={({ target }) => tell({ type: 'narrowed', node: target.value || null })}
        >
          <option value={ALL}>All goods</option>
          {nodesInOrder(choices?.nodes ?? []).map(({ id, name, depth }) => (
            <option key={id} value={id}>
              {'\u2003'.repeat(depth) + name}
            </option>
          ))}
        </select>
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

interface PlacedNode {
  readonly id: string;
  readonly name: string;
  readonly depth: number;
}

/** The hierarchy from the top, one branch after another. */
function nodesInOrder(nodes: Choices['nodes'], parent?: string, depth = 0): PlacedNode[] {
  return nodes
    .filter((node) => node.parent === parent)
    .flatMap(({ id, name }) => [{ id, name, depth }, ...nodesInOrder(nodes, id, depth + 1)]);
}
