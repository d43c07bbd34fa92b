import type { Plan, StoreDocument, StoreRule } from '../plan/index.ts';

type Holds = (store: StoreDocument) => boolean;

/** The ids of the stores that a checked rule means. */
export function storesOf(rule: StoreRule, plan: Pick<Plan, 'stores' | 'storeGroups'>): ReadonlySet<string> {
  const groups = new Map(plan.storeGroups.map((group) => [group.id, group.rule]));
  return new Set(plan.stores.filter(meaningOf(rule, groups)).map(({ id }) => id));
}

function meaningOf(rule: StoreRule, groups: ReadonlyMap<string, StoreRule>): Holds {
  const part = (inner: StoreRule): Holds => meaningOf(inner, groups);
  if ('all' in rule) return () => true;
  if ('stores' in rule) {
    const ids = new Set(rule.stores);
    return ({ id }) => ids.has(id);
  }
  if ('group' in rule) return part(groups.get(rule.group)!);
  if ('zone' in rule) return ({ zone }) => zone === rule.zone;
  if ('region' in rule) return ({ region }) => region === rule.region;
  if ('tag' in rule) return ({ tags }) => tags?.includes(rule.tag) ?? false;
  if ('allOf' in rule) {
    const parts = rule.allOf.map(part);
    return (store) => parts.every((holds) => holds(store));
  }
  if ('anyOf' in rule) {
    const parts = rule.anyOf.map(part);
    return (store) => parts.some((holds) => holds(store));
  }
  const holds = part(rule.not);
  return (store) => !holds(store);
}
