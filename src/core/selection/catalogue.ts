import type { Item, Plan } from '../plan/index.ts';

/** The goods of a plan, numbered in the order of the plan, with what rules ask of them. */
export interface Catalogue {
  readonly items: readonly Item[];
  readonly indexOf: ReadonlyMap<string, number>;
  /** A node's own id and those of all its descendants. */
  nodesUnder(node: string): ReadonlySet<string>;
  /** Numbers of the items that stand right at a node, not under it. */
  itemsIn(node: string): readonly number[];
  /** Numbers of the items that name this one as their parent, at any depth. */
  variantsOf(sku: string): readonly number[];
  /** A parent with variants is not sold itself. */
  isParent(index: number): boolean;
  readonly setRules: ReadonlyMap<string, Plan['itemSets'][number]['rule']>;
}

export function indexCatalogue(plan: Pick<Plan, 'nodes' | 'items' | 'itemSets'>): Catalogue {
  const childNodes = groupBy(
    plan.nodes,
    ({ parent }) => parent,
    ({ id }) => id,
  );
  const variants = groupBy(
    plan.items.map((item, index) => ({ item, index })),
    ({ item }) => item.parent,
    ({ index }) => index,
  );
  let byNode: Map<string, number[]> | undefined;
  const under = new Map<string, ReadonlySet<string>>();
  const indexOf = new Map(plan.items.map(({ sku }, index) => [sku, index]));
  return {
    items: plan.items,
    indexOf,
    setRules: new Map(plan.itemSets.map(({ id, rule }) => [id, rule])),
    isParent: (index) => variants.has(plan.items[index]!.sku),
    nodesUnder(node) {
      let found = under.get(node);
      if (!found) {
        found = reach(node, (id) => childNodes.get(id) ?? []);
        under.set(node, found);
      }
      return found;
    },
    itemsIn(node) {
      byNode ??= groupBy(
        plan.items.map((_, index) => index),
        (index) => plan.items[index]!.node,
        (index) => index,
      );
      return byNode.get(node) ?? [];
    },
    variantsOf(sku) {
      if (!variants.has(sku)) return [];
      const all = reach(sku, (id) => (variants.get(id) ?? []).map((index) => plan.items[index]!.sku));
      all.delete(sku);
      return [...all].map((id) => indexOf.get(id)!);
    },
  };
}

function groupBy<T, V>(
  list: readonly T[],
  keyOf: (entry: T) => string | undefined,
  valueFor: (entry: T) => V,
) {
  const groups = new Map<string, V[]>();
  for (const entry of list) {
    const key = keyOf(entry);
    if (key === undefined) continue;
    const group = groups.get(key);
    if (group) group.push(valueFor(entry));
    else groups.set(key, [valueFor(entry)]);
  }
  return groups;
}

function reach(start: string, next: (id: string) => readonly string[]): Set<string> {
  const found = new Set([start]);
  for (const id of found) for (const other of next(id)) found.add(other);
  return found;
}
