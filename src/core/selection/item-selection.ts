import { type Currency, LARGEST_AMOUNT, type MinorUnits, parseAmount } from '../money/index.ts';
import type { Item, ItemRule } from '../plan/index.ts';
import type { Catalogue } from './catalogue.ts';

/** A compiled item rule. */
export interface ItemSelection {
  /** Whether the rule asks for regular prices, and so depends on store and date. */
  readonly asksPrices: boolean;
  /** @param regular the regular price at that store and date; null where there is none. */
  has(index: number, regular: MinorUnits | null): boolean;
  /** Whether there may be a store and a date at which it selects the item. */
  mayHave(index: number): boolean;
  /** Numbers of the selected items, rising; null where the rule asks for prices. Worked out when it is first asked. */
  numbers(): Int32Array | null;
}

type Holds = (index: number, regular: MinorUnits | null) => boolean;

/** What a rule means, for one item and for all of them. */
interface Meaning {
  readonly asksPrices: boolean;
  readonly holds: Holds;
  /** Sets a 1 for each selected item. Only of rules that do not ask for prices. */
  mark(mask: Uint8Array): void;
}

/** Asked so often about single items, it is worth knowing about all of them. */
const OFTEN = 12;

/**
 * Compiles a checked rule: every name in it is known, and its sets do not form a cycle. A few items are answered from
 * the rule itself: a plan that has just changed is asked for some prices long before it is asked for all of them.
 */
export function compileItemRule(rule: ItemRule, catalogue: Catalogue, currency: Currency): ItemSelection {
  const { asksPrices, holds, mark } = meaningOf(rule, catalogue, currency);
  if (asksPrices) return { asksPrices, has: holds, mayHave: () => true, numbers: () => null };
  let bits: Uint8Array | undefined;
  let numbers: Int32Array | undefined;
  let asked = 0;
  const marked = (): Uint8Array => {
    const mask = new Uint8Array(catalogue.items.length);
    mark(mask);
    return mask;
  };
  const has = (index: number): boolean => {
    if (!bits) {
      asked += 1;
      if (asked <= OFTEN) return holds(index, null);
      bits = packed(marked());
    }
    return ((bits[index >> 3]! >> (index & 7)) & 1) === 1;
  };
  return {
    asksPrices,
    has,
    mayHave: has,
    numbers() {
      numbers ??= numbersIn(marked());
      return numbers;
    },
  };
}

/** Eight items to a byte: a thousand rules are asked about one item, and the processor's cache holds them all. */
function packed(mask: Uint8Array): Uint8Array {
  const bits = new Uint8Array((mask.length + 7) >> 3);
  for (let index = 0; index < mask.length; index++)
    if (mask[index] === 1) bits[index >> 3]! |= 1 << (index & 7);
  return bits;
}

function meaningOf(rule: ItemRule, catalogue: Catalogue, currency: Currency): Meaning {
  const part = (inner: ItemRule): Meaning => meaningOf(inner, catalogue, currency);
  if ('all' in rule) return ofItem(catalogue, () => true);
  if ('items' in rule) return listed(rule.items, catalogue);
  if ('node' in rule) return inNodes(catalogue.nodesUnder(rule.node), catalogue);
  if ('set' in rule) return part(catalogue.setRules.get(rule.set)!);
  if ('brand' in rule) return ofItem(catalogue, (item) => item.brand === rule.brand);
  if ('tag' in rule) return ofItem(catalogue, (item) => item.tags?.includes(rule.tag) ?? false);
  if ('attribute' in rule) {
    return ofItem(catalogue, (item) => {
      const value = item.attributes?.[rule.attribute];
      return value !== undefined && rule.in.includes(value);
    });
  }
  if ('regularPrice' in rule) return priceBounds(rule.regularPrice, currency);
  if ('allOf' in rule) return allOf(rule.allOf.map(part));
  if ('anyOf' in rule) return anyOf(rule.anyOf.map(part));
  return not(part(rule.not));
}

const ofItem = ({ items }: Catalogue, holds: (item: Item) => boolean): Meaning => ({
  asksPrices: false,
  holds: (index) => holds(items[index]!),
  mark(mask) {
    // A loop: made from an iterator it takes fifty times as long.
    for (let index = 0; index < items.length; index++) if (holds(items[index]!)) mask[index] = 1;
  },
});

const inNodes = (nodes: ReadonlySet<string>, { items, itemsIn }: Catalogue): Meaning => ({
  asksPrices: false,
  holds: (index) => nodes.has(items[index]!.node),
  mark(mask) {
    for (const node of nodes) for (const index of itemsIn(node)) mask[index] = 1;
  },
});

/** A rule that names a parent means its variants too. */
function listed(skus: readonly string[], catalogue: Catalogue): Meaning {
  const numbers = new Set<number>();
  for (const sku of skus) {
    numbers.add(catalogue.indexOf.get(sku)!);
    for (const index of catalogue.variantsOf(sku)) numbers.add(index);
  }
  return {
    asksPrices: false,
    holds: (index) => numbers.has(index),
    mark(mask) {
      for (const index of numbers) mask[index] = 1;
    },
  };
}

function priceBounds(bounds: { atLeast?: string; atMost?: string }, currency: Currency): Meaning {
  const low = bounds.atLeast === undefined ? 0 : parseAmount(bounds.atLeast, currency)!;
  const high = bounds.atMost === undefined ? LARGEST_AMOUNT : parseAmount(bounds.atMost, currency)!;
  return {
    asksPrices: true,
    holds: (_, regular) => regular !== null && low <= regular && regular <= high,
    mark() {},
  };
}

const asking = (parts: readonly Meaning[]): boolean => parts.some(({ asksPrices }) => asksPrices);

const anyOf = (parts: readonly Meaning[]): Meaning => ({
  asksPrices: asking(parts),
  holds: (index, regular) => parts.some(({ holds }) => holds(index, regular)),
  mark(mask) {
    for (const part of parts) part.mark(mask);
  },
});

const allOf = (parts: readonly Meaning[]): Meaning => ({
  asksPrices: asking(parts),
  holds: (index, regular) => parts.every(({ holds }) => holds(index, regular)),
  mark(mask) {
    const counts = new Uint16Array(mask.length);
    const each = new Uint8Array(mask.length);
    for (const part of parts) {
      each.fill(0);
      part.mark(each);
      for (let index = 0; index < each.length; index++) counts[index]! += each[index]!;
    }
    for (let index = 0; index < counts.length; index++) if (counts[index] === parts.length) mask[index] = 1;
  },
});

const not = ({ asksPrices, holds, mark }: Meaning): Meaning => ({
  asksPrices,
  holds: (index, regular) => !holds(index, regular),
  mark(mask) {
    const others = new Uint8Array(mask.length);
    mark(others);
    for (let index = 0; index < others.length; index++) if (others[index] === 0) mask[index] = 1;
  },
});

function numbersIn(mask: Uint8Array): Int32Array {
  const numbers = new Int32Array(mask.length);
  let count = 0;
  for (let index = 0; index < mask.length; index++) if (mask[index] === 1) numbers[count++] = index;
  return numbers.slice(0, count);
}
