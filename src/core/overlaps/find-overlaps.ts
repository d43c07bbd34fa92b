import type { Span } from '../calendar/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { type Finding, inOrder } from './finding.ts';
import { findingsOf, type Hit, type Hits, withoutGoods } from './hit.ts';
import { lookAt, meets } from './look-at.ts';
import { type Looked, type Scope, scopeOf } from './scope.ts';
import { pricedBy, tagHits } from './tag-hits.ts';

/** What was found in a plan, kept so that after an edit only what it touches is looked at again. */
export interface KeptFindings {
  readonly scope: Scope;
  readonly byLooked: ReadonlyMap<Looked, readonly Finding[]>;
  readonly hits: Hits;
  /** What the hits come to, by the id of the change that answers for them. */
  readonly byOwner: ReadonlyMap<string, readonly Finding[]>;
}

/**
 * All that may be wrong with the approved promotions of a plan, or between them.
 * @param asked what is looked at; absent: from the first start to well after the last end.
 */
export const findOverlaps = (compiled: CompiledPlan, asked: Partial<Span> = {}): Finding[] =>
  findingsIn(findAfter(null, compiled, asked));

export const findingsIn = ({ byLooked, byOwner }: KeptFindings): Finding[] =>
  inOrder([...byLooked.values(), ...byOwner.values()].flat());

/**
 * The findings of a plan that came from another by edits: promotions that nothing touched keep theirs, and so do tag
 * prices. All is looked at anew where what prices stand on has changed, who shops, or what is asked for.
 */
export function findAfter(
  before: KeptFindings | null,
  compiled: CompiledPlan,
  asked: Partial<Span> = {},
): KeptFindings {
  const scope = scopeOf(compiled, asked);
  const kept = before && isAlike(before.scope, scope) ? before : null;
  const all: readonly Looked[] = [...scope.changes, ...scope.offers];
  const touching = kept ? differences(kept.scope, scope) : [];
  const isTouched = (one: Looked): boolean =>
    touching.some((other) => other === one || meets(scope, one, other));
  const foundOf = (one: Looked): readonly Finding[] => {
    const known = kept?.byLooked.get(one);
    return known && !isTouched(one) ? known : lookAt(scope, one);
  };
  return {
    scope,
    byLooked: new Map(all.map((one) => [one, foundOf(one)])),
    ...(kept ? hitsAfter(kept, scope, pricedBy(scope, touching)) : hitsAnew(scope)),
  };
}

type FoundOfTags = Pick<KeptFindings, 'hits' | 'byOwner'>;

function hitsAnew(scope: Scope): FoundOfTags {
  const hits = tagHits(scope);
  return { hits, byOwner: new Map([...hits].map(([id, all]) => [id, findingsOf(scope, all)])) };
}

/** @param goods numbers of the items whose tag prices may be others now. */
function hitsAfter(kept: KeptFindings, scope: Scope, goods: ReadonlySet<number>): FoundOfTags {
  if (goods.size === 0) return kept;
  const anew = tagHits(scope, goods);
  const hits = new Map<string, readonly Hit[]>();
  const byOwner = new Map<string, readonly Finding[]>();
  for (const id of new Set([...kept.hits.keys(), ...anew.keys()])) {
    const known = kept.hits.get(id) ?? [];
    const here = anew.get(id) ?? [];
    const left = withoutGoods(known, goods);
    const isSame = here.length === 0 && left === known;
    const all = isSame ? known : [...left, ...here];
    if (all.length === 0) continue;
    hits.set(id, all);
    byOwner.set(id, isSame ? kept.byOwner.get(id)! : findingsOf(scope, all));
  }
  return { hits, byOwner };
}

/** What stands in one of two plans alone, or otherwise in the other. */
function differences(before: Scope, after: Scope): readonly Looked[] {
  const [then, now] = [standingIn(before), standingIn(after)];
  return [...[...now].filter((one) => !then.has(one)), ...[...then].filter((one) => !now.has(one))];
}

const standingIn = (scope: Scope): ReadonlySet<Looked> =>
  new Set<Looked>([...scope.compiled.changes, ...scope.compiled.offers].filter(isApproved));

const isApproved = ({ promotion }: Looked): boolean => promotion.status === 'approved';

/** Whether nothing but promotions differs. */
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
