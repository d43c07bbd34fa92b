import type { ItemRule, StoreRule } from '../plan/index.ts';
import type { CheckContext } from './check-context.ts';
import type { Fault } from './fault.ts';

type Path = Fault['path'];

/** Every name in an item rule must be known; a brand, tag or attribute may be one that no item has yet. */
export function checkItemRule(rule: ItemRule, path: Path, context: CheckContext): void {
  if ('items' in rule) rule.items.forEach((sku, i) => context.reference('item', sku, [...path, 'items', i]));
  else if ('node' in rule) context.reference('node', rule.node, [...path, 'node']);
  else if ('set' in rule) context.reference('item set', rule.set, [...path, 'set']);
  else if ('regularPrice' in rule) {
    context.amount(rule.regularPrice.atLeast, [...path, 'regularPrice', 'atLeast']);
    context.amount(rule.regularPrice.atMost, [...path, 'regularPrice', 'atMost']);
  } else if ('allOf' in rule)
    rule.allOf.forEach((part, i) => checkItemRule(part, [...path, 'allOf', i], context));
  else if ('anyOf' in rule)
    rule.anyOf.forEach((part, i) => checkItemRule(part, [...path, 'anyOf', i], context));
  else if ('not' in rule) checkItemRule(rule.not, [...path, 'not'], context);
}

export function checkStoreRule(rule: StoreRule, path: Path, context: CheckContext): void {
  if ('stores' in rule)
    rule.stores.forEach((id, i) => context.reference('store', id, [...path, 'stores', i]));
  else if ('group' in rule) context.reference('store group', rule.group, [...path, 'group']);
  else if ('zone' in rule) context.reference('zone', rule.zone, [...path, 'zone']);
  else if ('allOf' in rule)
    rule.allOf.forEach((part, i) => checkStoreRule(part, [...path, 'allOf', i], context));
  else if ('anyOf' in rule)
    rule.anyOf.forEach((part, i) => checkStoreRule(part, [...path, 'anyOf', i], context));
  else if ('not' in rule) checkStoreRule(rule.not, [...path, 'not'], context);
}

/** The sets that an item rule names, at any depth of all-of, any-of and not. */
export function setsNamedBy(rule: ItemRule): string[] {
  if ('set' in rule) return [rule.set];
  if ('allOf' in rule) return rule.allOf.flatMap(setsNamedBy);
  if ('anyOf' in rule) return rule.anyOf.flatMap(setsNamedBy);
  return 'not' in rule ? setsNamedBy(rule.not) : [];
}

/** The store groups that a store rule names, at any depth. */
export function groupsNamedBy(rule: StoreRule): string[] {
  if ('group' in rule) return [rule.group];
  if ('allOf' in rule) return rule.allOf.flatMap(groupsNamedBy);
  if ('anyOf' in rule) return rule.anyOf.flatMap(groupsNamedBy);
  return 'not' in rule ? groupsNamedBy(rule.not) : [];
}
