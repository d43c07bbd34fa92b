import type { ItemRule, StoreRule } from '../plan/index.ts';
import { decimalWords } from '../writing/index.ts';
import type { Names } from './names.ts';

const SHOWN = 3;
const list = (parts: readonly string[], word: string): string =>
  parts.length < 2 ? (parts[0] ?? 'nothing') : `${parts.slice(0, -1).join(', ')} ${word} ${parts.at(-1)}`;
const some = (parts: readonly string[], many: string): string =>
  parts.length > SHOWN + 1
    ? `${parts.slice(0, SHOWN).join(', ')} and ${parts.length - SHOWN} more ${many}`
    : list(parts, 'and');

/** Items in words: "Sun care, except tag travel-size". */
export function itemWords(rule: ItemRule, names: Names): string {
  if ('all' in rule) return 'everything';
  if ('items' in rule) return some(rule.items.map(names.item), 'items');
  if ('node' in rule) return names.node(rule.node);
  if ('set' in rule) return `the set ${names.set(rule.set)}`;
  if ('brand' in rule) return `the brand ${rule.brand}`;
  if ('tag' in rule) return `goods tagged ${rule.tag}`;
  if ('attribute' in rule) return `goods with ${rule.attribute} ${list(rule.in, 'or')}`;
  if ('regularPrice' in rule) return `goods priced ${boundWords(rule.regularPrice, names)}`;
  if ('anyOf' in rule)
    return list(
      rule.anyOf.map((part) => itemWords(part, names)),
      'and',
    );
  if ('not' in rule) return `everything except ${itemWords(rule.not, names)}`;
  return exceptWords(rule.allOf, (part) => itemWords(part, names));
}

function boundWords(bounds: { atLeast?: string; atMost?: string }, { writing }: Names): string {
  const said = (amount: string | undefined) => amount && decimalWords(amount, writing);
  const [atLeast, atMost] = [said(bounds.atLeast), said(bounds.atMost)];
  if (atLeast === undefined) return `up to ${atMost}`;
  return atMost === undefined ? `from ${atLeast}` : `from ${atLeast} to ${atMost}`;
}

/** Stores in words: "the City stores". */
export function storeWords(rule: StoreRule, names: Names): string {
  if ('all' in rule) return 'all stores';
  if ('stores' in rule) return some(rule.stores.map(names.store), 'stores');
  if ('group' in rule) return names.storeGroup(rule.group);
  if ('zone' in rule) return `zone ${names.zone(rule.zone)}`;
  if ('region' in rule) return `region ${rule.region}`;
  if ('tag' in rule) return `stores tagged ${rule.tag}`;
  if ('anyOf' in rule)
    return list(
      rule.anyOf.map((part) => storeWords(part, names)),
      'and',
    );
  if ('not' in rule) return `all stores except ${storeWords(rule.not, names)}`;
  return exceptWords(rule.allOf, (part) => storeWords(part, names));
}

/** All-of: the plain parts joined by "that are also", then what is excepted. */
function exceptWords<T extends object>(
  parts: readonly (T | { not: T })[],
  words: (part: T) => string,
): string {
  const excepted = parts.flatMap((part) => ('not' in part ? [words(part.not as T)] : []));
  const plain = parts.flatMap((part) => ('not' in part ? [] : [words(part as T)]));
  const head = plain.length === 0 ? 'everything' : plain.join(' that is also in ');
  return excepted.length === 0 ? head : `${head}, except ${list(excepted, 'and')}`;
}
