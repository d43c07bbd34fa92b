import { type Currency, LARGEST_AMOUNT, type MinorUnits, parseAmount } from '../money/index.ts';
import type { Item, ItemRule } from '../plan/index.ts';
import type { Catalogue } from './catalogue.ts';

/**
 * A compiled item rule. `fixed` holds a 1 for each selected item where the rule asks only of the items
 * themselves; a rule on regular prices depends on store and date and is asked item by item.
 */
export interface ItemSelection {
  readonly fixed: Uint8Array | null;
  /** @param regular the regular price at that store and date; null where there is none. */
  has(index: number, regular: MinorUnits | null): boolean;
}

/** Compiles a checked rule: every name in it is known, and its sets do not form a cycle. */
export function compileItemRule(rule: ItemRule, catalogue: Catalogue, currency: Currency): ItemSelection {
  const compile = (part: ItemRule): ItemSelection => compileItemRule(part, catalogue, currency);
  if ('all' in rule) return where(catalogue, () => true);
  if ('items' in rule) return fixed(listed(rule.items, catalogue));
  if ('node' in rule) {
    const nodes = catalogue.nodesUnder(rule.node);
    return where(catalogue, (item) => nodes.has(item.node));
  }
  if ('set' in rule) return compile(catalogue.setRules.get(rule.set)!);
  if ('brand' in rule) return where(catalogue, (item) => item.brand === rule.brand);
  if ('tag' in rule) return where(catalogue, (item) => item.tags?.includes(rule.tag) ?? false);
  if ('attribute' in rule) {
    return where(catalogue, (item) => {
      const value = item.attributes?.[rule.attribute];
      return value !== undefined && rule.in.includes(value);
    });
  }
  if ('regularPrice' in rule) return priceBounds(rule.regularPrice, currency);
  if ('allOf' in rule) return combine(rule.allOf.map(compile), catalogue, (parts, has) => parts.every(has));
  if ('anyOf' in rule) return combine(rule.anyOf.map(compile), catalogue, (parts, has) => parts.some(has));
  return combine([compile(rule.not)], catalogue, ([part], has) => !has(part!));
}

function fixed(mask: Uint8Array): ItemSelection {
  return { fixed: mask, has: (index) => mask[index] === 1 };
}

function where({ items }: Catalogue, holds: (item: Item) => boolean): ItemSelection {
  return fixed(maskOf(items.length, (index) => holds(items[index]!)));
}

/** A loop, as every rule runs over every item: made from an iterator it takes fifty times as long. */
function maskOf(length: number, holds: (index: number) => boolean): Uint8Array {
  const mask = new Uint8Array(length);
  for (let index = 0; index < length; index++) if (holds(index)) mask[index] = 1;
  return mask;
}

/** A rule that names a parent means its variants too. */
function listed(skus: readonly string[], catalogue: Catalogue): Uint8Array {
  const mask = new Uint8Array(catalogue.items.length);
  for (const sku of skus) {
    mask[catalogue.indexOf.get(sku)!] = 1;
    for (const index of catalogue.variantsOf(sku)) mask[index] = 1;
  }
  return mask;
}

function priceBounds(bounds: { atLeast?: string; atMost?: string }, currency: Currency): ItemSelection {
  const low = bounds.atLeast === undefined ? 0 : parseAmount(bounds.atLeast, currency)!;
  const high = bounds.atMost === undefined ? LARGEST_AMOUNT : parseAmount(bounds.atMost, currency)!;
  return { fixed: null, has: (_, regular) => regular !== null && low <= regular && regular <= high };
}

type Connective = (parts: readonly ItemSelection[], has: (part: ItemSelection) => boolean) => boolean;

function combine(
  parts: readonly ItemSelection[],
  catalogue: Catalogue,
  connective: Connective,
): ItemSelection {
  const has: ItemSelection['has'] = (index, regular) => connective(parts, (part) => part.has(index, regular));
  if (parts.some((part) => part.fixed === null)) return { fixed: null, has };
  return fixed(maskOf(catalogue.items.length, (index) => has(index, null)));
}

/** The numbers of a fixed selection's items, rising; null where it is not fixed. */
export function numbersIn(mask: Uint8Array | null): Int32Array | null {
  if (!mask) return null;
  const numbers = new Int32Array(mask.length);
  let count = 0;
  for (let index = 0; index < mask.length; index++) if (mask[index] === 1) numbers[count++] = index;
  return numbers.slice(0, count);
}
