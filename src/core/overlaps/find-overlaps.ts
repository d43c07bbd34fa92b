import type { Span } from '../calendar/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { type Finding, inOrder } from './finding.ts';
import { giftNotCarried } from './gift-not-carried.ts';
import { neverWins } from './never-wins.ts';
import { nothingThere } from './nothing.ts';
import { openEnd } from './open-end.ts';
import { overlapping } from './overlap.ts';
import { raisesPrice } from './raises-price.ts';
import { reducedBefore } from './reduced-before.ts';
import { sameUnits } from './same-units.ts';
import { scenesOf } from './scenes.ts';
import { type Scope, scopeOf } from './scope.ts';
import { thinDeal } from './thin-deal.ts';
import { thinTags } from './thin-margin.ts';
import { idleTiers, worseThanShelf } from './worse-than-shelf.ts';

/**
 * All that may be wrong with the approved promotions of a plan, or between them.
 * @param asked what is looked at; absent: from the first start to well after the last end.
 */
export function findOverlaps(compiled: CompiledPlan, asked: Partial<Span> = {}): Finding[] {
  const scope = scopeOf(compiled, asked);
  return inOrder([...ofChanges(scope), ...ofOffers(scope)]);
}

function ofChanges(scope: Scope): Finding[] {
  const { changes } = scope;
  return changes.flatMap((change, i) => [
    ...openEnd(scope, change),
    ...nothingThere(scope, change),
    ...raisesPrice(scope, change),
    ...neverWins(scope, change),
    ...thinTags(scope, change),
    ...changes.slice(i + 1).flatMap((other) => overlapping(scope, change, other)),
    ...changes.flatMap((other) => (other === change ? [] : reducedBefore(scope, change, other))),
  ]);
}

function ofOffers(scope: Scope): Finding[] {
  const { offers } = scope;
  return offers.flatMap((offer, i) => {
    const scenes = scenesOf(scope, offer);
    return [
      ...openEnd(scope, offer),
      ...nothingThere(scope, offer),
      ...giftNotCarried(scope, offer),
      ...worseThanShelf(scope, offer, scenes),
      ...idleTiers(scope, offer, scenes),
      ...thinDeal(scope, offer, scenes),
      ...offers.slice(i + 1).flatMap((other) => sameUnits(scope, offer, other)),
    ];
  });
}
