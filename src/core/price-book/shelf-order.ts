import type { Plan } from '../plan/index.ts';

/**
 * The goods in the order of the hierarchy, and in it by brand: what a rule selects is then a few long stretches, which
 * are written at once. Parents, which are never sold, come last of all. Outside of the price book goods keep the order
 * of the plan.
 */
export interface ShelfOrder {
  /** The number in the catalogue of the item at each position. */
  readonly indexAt: Int32Array;
  /** The position of each item by its number in the catalogue. */
  readonly positionOf: Int32Array;
}

export function shelfOrder({ nodes, items }: Pick<Plan, 'nodes' | 'items'>): ShelfOrder {
  const node = walk(nodes);
  const brand = new Map(
    [...new Set(items.map((item) => item.brand ?? ''))].sort().map((name, i) => [name, i]),
  );
  const parents = new Set(items.map(({ parent }) => parent));
  const rank = Float64Array.from(items, (item) =>
    parents.has(item.sku)
      ? Number.POSITIVE_INFINITY
      : node.get(item.node)! * brand.size + brand.get(item.brand ?? '')!,
  );
  const indexAt = Int32Array.from(items, (_, index) => index).sort(
    (a, b) => compare(rank[a]!, rank[b]!) || a - b,
  );
  const positionOf = new Int32Array(items.length);
  for (let position = 0; position < indexAt.length; position++) positionOf[indexAt[position]!] = position;
  return { indexAt, positionOf };
}

const compare = (a: number, b: number): number => (a < b ? -1 : a > b ? 1 : 0);

/** Where each node stands when the hierarchy is read from the top, one branch after another. */
function walk(nodes: Plan['nodes']): Map<string, number> {
  const children = new Map<string | undefined, string[]>();
  for (const { id, parent } of nodes) children.set(parent, [...(children.get(parent) ?? []), id]);
  const places = new Map<string, number>();
  const open = [...(children.get(undefined) ?? [])].reverse();
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    places.set(id, places.size);
    open.push(...[...(children.get(id) ?? [])].reverse());
  }
  return places;
}
