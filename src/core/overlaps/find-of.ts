import type { Span } from '../calendar/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { type Finding, inOrder } from './finding.ts';
import { findingsOf } from './hit.ts';
import { lookAt, meets } from './look-at.ts';
import { type Looked, type Scope, scopeOf } from './scope.ts';
import { pricedBy, tagHits } from './tag-hits.ts';

/** A plan that is being edited, with what was found of it so far: one edit after another asks for much the same. */
export interface PlanBeside {
  readonly scope: Scope;
  foundOf(one: Looked): readonly Finding[];
}

export function planBeside(compiled: CompiledPlan, asked: Partial<Span>): PlanBeside {
  const scope = scopeOf(compiled, asked);
  const known = new Map<Looked, readonly Finding[]>();
  return {
    scope,
    foundOf(one) {
      const found = known.get(one) ?? lookAt(scope, one);
      known.set(one, found);
      return found;
    },
  };
}

/**
 * What may be wrong with one promotion of a plan, and what is wrong with others only since it is as it is. Of tag prices
 * nothing but the goods that it selects, or did, is told: those of others are as they were.
 * @param before the plan without the edit.
 * @param after the plan with it, of the same goods and stores.
 */
export function findOf(before: PlanBeside, after: CompiledPlan, id: string): Finding[] {
  const scope = scopeOf(after, before.scope.span);
  const own = ({ promotion }: Looked): boolean => promotion.id === id;
  const edited = [...standing(before.scope).filter(own), ...standing(scope).filter(own)];
  const touched = (one: Looked): boolean => own(one) || edited.some((other) => meets(scope, one, other));
  const goods = pricedBy(scope, edited);
  const then = standing(before.scope).filter(touched).flatMap(before.foundOf);
  const now = standing(scope)
    .filter(touched)
    .flatMap((one) => lookAt(scope, one));
  const known = new Set([...then, ...ofTags(before.scope, goods)].map(keyOf));
  const found = [...now, ...ofTags(scope, goods)];
  return inOrder(found.filter((one) => one.promotions.includes(id) || !known.has(keyOf(one))));
}

const standing = ({ changes, offers }: Scope): readonly Looked[] => [...changes, ...offers];

const ofTags = (scope: Scope, goods: ReadonlySet<number>): Finding[] =>
  goods.size === 0 ? [] : [...tagHits(scope, goods).values()].flatMap((hits) => findingsOf(scope, hits));

const keyOf = ({ code, promotions, part, items, stores, amount }: Finding): string =>
  JSON.stringify([code, promotions, part ?? null, items, stores, amount]);
