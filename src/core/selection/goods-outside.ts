import type { Fault } from '../checking/index.ts';
import type { Currency } from '../money/index.ts';
import { type ItemRule, itemRulesIn, type OfferDocument } from '../plan/index.ts';
import type { Catalogue } from './catalogue.ts';
import { compileItemRule } from './item-selection.ts';

/** What of an offer's goods lies outside of some departments. */
export interface GoodsOutside {
  /** The part of the offer that names them; empty where it is about the whole basket. */
  readonly at: Fault['path'];
  /** Numbers in the catalogue; null: about whatever is in the basket. */
  readonly items: readonly number[] | null;
}

/**
 * The first part of an offer that may be about goods outside of these departments, whatever they cost at some store
 * and date; null where none is.
 * @param inside ids of the departments, with all below them
 */
export function goodsOutside(
  offer: OfferDocument,
  inside: ReadonlySet<string>,
  catalogue: Catalogue,
  currency: Currency,
): GoodsOutside | null {
  const rules = itemRulesIn(offer);
  if (rules.length === 0) return { at: [], items: null };
  for (const { rule, at } of rules) {
    const { has } = compileItemRule(atAnyPrice(rule, catalogue, true), catalogue, currency);
    const items = catalogue.items.flatMap(({ node }, index) =>
      !catalogue.isParent(index) && !inside.has(node) && has(index, null) ? [index] : [],
    );
    if (items.length > 0) return { at, items };
  }
  return null;
}

/** These departments and all below them; one that is not there any more has no goods. @param nodes ids */
export const insideOf = (nodes: readonly string[], catalogue: Catalogue): ReadonlySet<string> =>
  new Set(nodes.flatMap((node) => [...catalogue.nodesUnder(node)]));

/** The widest that a rule can mean, prices being what they like. @param wide false under a "not". */
function atAnyPrice(rule: ItemRule, catalogue: Catalogue, wide: boolean): ItemRule {
  const part = (inner: ItemRule) => atAnyPrice(inner, catalogue, wide);
  if ('regularPrice' in rule) return wide ? { all: true } : { items: [] };
  if ('allOf' in rule) return { allOf: rule.allOf.map(part) };
  if ('anyOf' in rule) return { anyOf: rule.anyOf.map(part) };
  if ('not' in rule) return { not: atAnyPrice(rule.not, catalogue, !wide) };
  return 'set' in rule ? part(catalogue.setRules.get(rule.set)!) : rule;
}
