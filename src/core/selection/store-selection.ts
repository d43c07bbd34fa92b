import type { Plan, StoreDocument, StoreRule } from '../plan/index.ts';

/** The ids of the stores that a checked rule means. */
export function storesOf(rule: StoreRule, plan: Pick<Plan, 'stores' | 'storeGroups'>): ReadonlySet<string> {
  const groups = new Map(plan.storeGroups.map((group) => [group.id, group.rule]));
  return new Set(plan.stores.filter((store) => holds(rule, store, groups)).map(({ id }) => id));
}

function holds(rule: StoreRule, store: StoreDocument, groups: ReadonlyMap<string, StoreRule>): boolean {
  if ('all' in rule) return true;
  if ('stores' in rule) return rule.stores.includes(store.id);
  if ('group' in rule) return holds(groups.get(rule.group)!, store, groups);
  if ('zone' in rule) return store.zone === rule.zone;
  if ('region' in rule) return store.region === rule.region;
  if ('tag' in rule) return store.tags?.includes(rule.tag) ?? false;
  if ('allOf' in rule) return rule.allOf.every((part) => holds(part, store, groups));
  if ('anyOf' in rule) return rule.anyOf.some((part) => holds(part, store, groups));
  return !holds(rule.not, store, groups);
}
