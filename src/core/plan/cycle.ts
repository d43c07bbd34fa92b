/**
 * The ids that can reach themselves by following `next`.
 * @param next ids that one id points at; unknown ids are passed over.
 */
export function idsOnCycles(ids: readonly string[], next: (id: string) => readonly string[]): Set<string> {
  const state = new Map<string, 'open' | 'done'>();
  const onCycle = new Set<string>();
  for (const root of ids) {
    if (state.has(root)) continue;
    // Without recursion: a chain of parents may be as long as the document.
    const trail: { id: string; rest: string[] }[] = [{ id: root, rest: [...next(root)] }];
    state.set(root, 'open');
    while (trail.length > 0) {
      const top = trail.at(-1)!;
      const id = top.rest.pop();
      if (id === undefined) {
        state.set(top.id, 'done');
        trail.pop();
      } else if (state.get(id) === 'open') {
        for (const step of trail.slice(trail.findIndex((entry) => entry.id === id))) onCycle.add(step.id);
      } else if (!state.has(id)) {
        state.set(id, 'open');
        trail.push({ id, rest: [...next(id)] });
      }
    }
  }
  return onCycle;
}
