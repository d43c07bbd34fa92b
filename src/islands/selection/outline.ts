import type { ItemRule, StoreRule } from '../../core/plan/index.ts';

/**
 * A rule as it is built on the screen: groups within groups, each of which wants all, any or none of its parts.
 * A leaf is any rule that holds no other.
 */
export type Outline<R> = Group<R> | Leaf<R>;
export const WANTS = ['all', 'any', 'none'] as const;
export type Want = (typeof WANTS)[number];

export interface Group<R> {
  readonly kind: 'group';
  readonly want: Want;
  readonly parts: readonly Outline<R>[];
}
export interface Leaf<R> {
  readonly kind: 'leaf';
  readonly rule: R;
}

type Rule = ItemRule | StoreRule;

/** Takes a rule apart. Rule and outline select the same; {@link ruleOfOutline} goes back. */
export function outlineOf<R extends Rule>(rule: R): Outline<R> {
  if ('allOf' in rule) return { kind: 'group', want: 'all', parts: (rule.allOf as R[]).map(outlineOf) };
  if ('anyOf' in rule) return { kind: 'group', want: 'any', parts: (rule.anyOf as R[]).map(outlineOf) };
  if (!('not' in rule)) return { kind: 'leaf', rule };
  const inner = outlineOf(rule.not as R);
  // "Not any of these" reads as "none of these"; "not a" as none of one.
  if (inner.kind === 'group' && inner.want === 'any') return { ...inner, want: 'none' };
  return { kind: 'group', want: 'none', parts: [inner] };
}

const isEmpty = <R>(outline: Outline<R>): boolean => outline.kind === 'group' && outline.parts.every(isEmpty);

/** The rule of an outline, as short as it can be said. Groups that nothing was put into yet say nothing. */
export function ruleOfOutline<R extends Rule>(outline: Outline<R>): R {
  if (outline.kind === 'leaf') return outline.rule;
  const parts = outline.parts.filter((part) => !isEmpty(part)).map(ruleOfOutline);
  if (parts.length === 0) return (outline.want === 'none' ? { all: true } : { anyOf: [] }) as unknown as R;
  if (outline.want === 'none') {
    return { not: parts.length === 1 ? parts[0]! : { anyOf: parts } } as unknown as R;
  }
  if (parts.length === 1) return parts[0]!;
  return (outline.want === 'all' ? { allOf: parts } : { anyOf: parts }) as unknown as R;
}

/** The outline as a group, so that there is a place to add to. */
export const asGroup = <R>(outline: Outline<R>): Group<R> =>
  outline.kind === 'group' ? outline : { kind: 'group', want: 'any', parts: [outline] };

type Path = readonly number[];

/** The outline with one part replaced, or taken away where `next` is null. */
export function withPart<R>(group: Group<R>, path: Path, next: Outline<R> | null): Group<R> {
  const [at, ...deeper] = path;
  if (at === undefined) return next ? asGroup(next) : { ...group, parts: [] };
  const parts = group.parts.flatMap((part, i) => {
    if (i !== at) return [part];
    if (deeper.length > 0 && part.kind === 'group') return [withPart(part, deeper, next)];
    return next ? [next] : [];
  });
  return { ...group, parts };
}

/** The outline with a part added to the group at a path. Beside "everything" it stands in its place. */
export function withAdded<R extends Rule>(group: Group<R>, path: Path, part: Outline<R>): Group<R> {
  const [at, ...deeper] = path;
  if (at === undefined) {
    const others = group.parts.filter((one) => one.kind === 'group' || !('all' in one.rule));
    return { ...group, parts: [...(group.want === 'any' ? others : group.parts), part] };
  }
  return {
    ...group,
    parts: group.parts.map((one, i) =>
      i === at && one.kind === 'group' ? withAdded(one, deeper, part) : one,
    ),
  };
}

/** The group with room for what is left out of it: all of it, but none of these. */
export function withExcept<R>(group: Group<R>): Group<R> {
  const none: Group<R> = { kind: 'group', want: 'none', parts: [] };
  if (group.want === 'all') return { ...group, parts: [...group.parts, none] };
  const kept = group.parts.length === 1 && group.want === 'any' ? group.parts[0]! : group;
  return { kind: 'group', want: 'all', parts: [kept, none] };
}
