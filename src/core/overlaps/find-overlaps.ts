import { DAY, type Span } from '../calendar/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { isUnitOffer } from '../receipt/index.ts';
import { type Finding, inOrder } from './finding.ts';
import { giftNotCarried } from './gift-not-carried.ts';
import { neverWins } from './never-wins.ts';
import { nothingThere, partsOf } from './nothing.ts';
import { openEnd } from './open-end.ts';
import { overlapping } from './overlap.ts';
import { raisesPrice } from './raises-price.ts';
import { reducedBefore } from './reduced-before.ts';
import { sameUnits } from './same-units.ts';
import { scenesOf } from './scenes.ts';
import { isChange, isOffer, type Looked, type Scope, scopeOf } from './scope.ts';
import { thinDeal } from './thin-deal.ts';
import { thinTags } from './thin-margin.ts';
import { idleTiers, worseThanShelf } from './worse-than-shelf.ts';

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

/** A reduction is remembered for thirty days. */
const BESIDE = 32 * DAY;

/** Whether what one of two promotions does may bear on what is found of the other. */
function meets({ compiled }: Scope, a: Looked, b: Looked): boolean {
  const [first, second] = [a.promotion.when, b.promotion.when];
  if (first.to !== null && first.to + BESIDE < second.from) return false;
  if (second.to !== null && second.to + BESIDE < first.from) return false;
  const there = b.stores();
  if (![...a.stores()].some((store) => there.has(store))) return false;
  const others = partsOf(b);
  return partsOf(a).some((part) => {
    const numbers = part.numbers() ?? compiled.catalogue.items.keys();
    for (const index of numbers) if (others.some((other) => other.mayHave(index))) return true;
    return false;
  });
}

function lookAt(scope: Scope, one: Looked): readonly Finding[] {
  const { changes, offers, remembered } = scope;
  const whole = [...openEnd(scope, one), ...nothingThere(scope, one)];
  if (isChange(one)) {
    const later = changes.slice(changes.indexOf(one) + 1);
    return [
      ...whole,
      ...raisesPrice(scope, one),
      ...neverWins(scope, one),
      ...thinTags(scope, one),
      ...later.flatMap((other) => overlapping(scope, one, other)),
      ...remembered.flatMap((other) => (other === one ? [] : reducedBefore(scope, other, one))),
    ];
  }
  if (!isOffer(one)) return whole;
  // What is worked out over all that is paid does not ask what single goods cost.
  const scenes = isUnitOffer(one.promotion.offer) ? scenesOf(scope, one) : [];
  const later = offers.slice(offers.indexOf(one) + 1);
  return [
    ...whole,
    ...giftNotCarried(scope, one),
    ...worseThanShelf(scope, one, scenes),
    ...idleTiers(scope, one, scenes),
    ...thinDeal(scope, one, scenes),
    ...later.flatMap((other) => sameUnits(scope, one, other)),
  ];
}
