import type { ItemRule, StoreRule } from '../plan/index.ts';

/** A rule as a sentence says it: any of these, except those. Nothing included means everything. */
export interface Inclusion<Rule> {
  readonly include: readonly Rule[];
  readonly except: readonly Rule[];
}

type AnyRule = ItemRule | StoreRule;
const LISTS = ['items', 'stores'] as const;

/** Takes a rule apart; null where it says more than any-of and except. Lists fall into their single members. */
export function inclusionOf<Rule extends AnyRule>(rule: Rule): Inclusion<Rule> | null {
  if (!('allOf' in rule)) {
    const include = membersOf(rule);
    return include && { include, except: [] };
  }
  const parts = rule.allOf as unknown as readonly Rule[];
  const plain = parts.filter((part) => !('not' in part));
  const excepted = parts.flatMap((part) => ('not' in part ? [part.not as unknown as Rule] : []));
  if (plain.length > 1) return null;
  const include = plain[0] ? membersOf(plain[0]) : [];
  const except = excepted.map(membersOf);
  if (!include || except.some((members) => members === null || members.length === 0)) return null;
  return { include, except: except.flatMap((members) => members!) };
}

/** Leaves of a rule that is a leaf, or any-of leaves; null where it is nested further. */
function membersOf<Rule extends AnyRule>(rule: Rule): Rule[] | null {
  if ('all' in rule) return [];
  if ('allOf' in rule || 'not' in rule) return null;
  if ('anyOf' in rule) {
    const members = (rule.anyOf as unknown as Rule[]).map(membersOf);
    return members.some((part) => part === null || part.length === 0)
      ? null
      : members.flatMap((part) => part!);
  }
  for (const key of LISTS) {
    if (key in rule)
      return (rule as unknown as Record<string, string[]>)[key]!.map(
        (id) => ({ [key]: [id] }) as unknown as Rule,
      );
  }
  return [rule];
}

/** The rule of an inclusion, as short as it can be said. */
export function ruleOf<Rule extends AnyRule>({ include, except }: Inclusion<Rule>): Rule {
  const base = include.length === 0 ? ({ all: true } as Rule) : anyOf(include);
  if (except.length === 0) return base;
  return { allOf: [base, ...joined(except).map((part) => ({ not: part }))] } as unknown as Rule;
}

function anyOf<Rule extends AnyRule>(parts: readonly Rule[]): Rule {
  const short = joined(parts);
  return short.length === 1 ? short[0]! : ({ anyOf: short } as unknown as Rule);
}

/** Single items, and single stores, in one list each. */
function joined<Rule extends AnyRule>(parts: readonly Rule[]): Rule[] {
  const lists = LISTS.flatMap((key) => {
    const ids = parts.flatMap((part) => (part as unknown as Record<string, string[]>)[key] ?? []);
    return ids.length === 0 ? [] : [{ [key]: ids } as unknown as Rule];
  });
  return [...parts.filter((part) => !LISTS.some((key) => key in part)), ...lists];
}
