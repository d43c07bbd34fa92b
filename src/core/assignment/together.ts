/**
 * Who shares something, directly or through others.
 * @param wants for each of them the numbers of what it wants.
 * @returns groups of their indexes, each rising, in the order of their first.
 */
export function together(wants: readonly Iterable<number>[]): number[][] {
  const parent = wants.map((_, i) => i);
  const rootOf = (i: number): number => {
    let at = i;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  };
  const first = new Map<number, number>();
  wants.forEach((numbers, i) => {
    for (const number of numbers) {
      const other = first.get(number);
      if (other === undefined) first.set(number, i);
      else parent[rootOf(i)] = rootOf(other);
    }
  });
  const groups = new Map<number, number[]>();
  wants.forEach((_, i) => {
    const root = rootOf(i);
    const group = groups.get(root);
    if (group) group.push(i);
    else groups.set(root, [i]);
  });
  return [...groups.values()];
}
