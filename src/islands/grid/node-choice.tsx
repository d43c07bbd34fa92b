import type { Choices } from '../../contracts/view/index.ts';

const NONE = '';

/** A place in the hierarchy of goods, out of a list. */
export function NodeChoice({
  nodes,
  chosen,
  none,
  onChoose,
}: {
  nodes: Choices['nodes'];
  chosen: string | null;
  /** What is said where none is chosen. */
  none: string;
  onChoose: (node: string | null) => void;
}) {
  return (
    <select
      className="select select-sm w-auto max-w-56"
      aria-label="Group of goods"
      value={chosen ?? NONE}
      onChange={({ target }) => onChoose(target.value || null)}
    >
      <option value={NONE}>{none}</option>
      {nodesInOrder(nodes).map(({ id, name, depth }) => (
        <option key={id} value={id}>
          {'\u2003'.repeat(depth) + name}
        </option>
      ))}
    </select>
  );
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
