import type { Span } from '../calendar/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { type Finding, inOrder } from './finding.ts';
import { lookAt, meets } from './look-at.ts';
import { type Looked, type Scope, scopeOf } from './scope.ts';

/** What was found in a plan, kept so that after an edit only what it touches is looked at again. */
export interface KeptFindings {
  readonly scope: Scope;
  readonly byLooked: ReadonlyMap<Looked, readonly Finding[]>;
}

/**
 * All that may be wrong with the approved promotions of a plan, or between them.
 * @param asked what is looked at; absent: from the first start to well after the last end.
 */
export const findOverlaps = (compiled: CompiledPlan, asked: Partial<Span> = {}): Finding[] =>
  findingsIn(findAfter(null, compiled, asked));

export const findingsIn = ({ byLooked }: KeptFindings): Finding[] => inOrder([...byLooked.values()].flat());

/**
 * The findings of a plan that came from another by edits: promotions that nothing touched keep theirs. All is looked at
 * anew where what prices stand on has changed, who shops, or what is asked for.
 */
export function findAfter(
  before: KeptFindings | null,
  compiled: CompiledPlan,
  asked: Partial<Span> = {},
): KeptFindings {
  const scope = scopeOf(compiled, asked);
  const kept =
    before && isAlike(before.scope, scope) ? before.byLooked : new Map<Looked, readonly Finding[]>();
  const all: readonly Looked[] = [...scope.changes, ...scope.offers];
  const [then, now] = [standingIn(before?.scope), standingIn(scope)];
  const touching = [...[...now].filter((one) => !then.has(one)), ...[...then].filter((one) => !now.has(one))];
  const isTouched = (one: Looked): boolean =>
    touching.some((other) => other === one || meets(scope, one, other));
  return {
    scope,
    byLooked: new Map(
      all.map((one) => [one, kept.has(one) && !isTouched(one) ? kept.get(one)! : lookAt(scope, one)]),
    ),
  };
}

const standingIn = (scope: Scope | undefined): ReadonlySet<Looked> =>
  new Set<Looked>(scope ? [...scope.remembered, ...scope.changes, ...scope.offers] : []);

/** Whether nothing but promotions differs. The span may: it grows with the last of them. */
function isAlike(before: Scope, after: Scope): boolean {
  return (
    before.compiled.grounds === after.compiled.grounds &&
    before.compiled.plan.policy === after.compiled.plan.policy &&
    before.span.from === after.span.from &&
    before.span.to === after.span.to &&
    JSON.stringify(before.kinds) === JSON.stringify(after.kinds) &&
    before.sites.length === after.sites.length &&
    before.channels.join() === after.channels.join()
  );
}
