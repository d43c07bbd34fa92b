import { DAY } from '../calendar/index.ts';
import { isUnitOffer } from '../receipt/index.ts';
import { beyondLimit } from './beyond-limit.ts';
import type { Finding } from './finding.ts';
import { giftNotCarried } from './gift-not-carried.ts';
import { neverWins } from './never-wins.ts';
import { nothingThere, partsOf } from './nothing.ts';
import { openEnd } from './open-end.ts';
import { overlapping } from './overlap.ts';
import { raisesPrice } from './raises-price.ts';
import { sameUnits } from './same-units.ts';
import { scenesOf } from './scenes.ts';
import { isChange, isOffer, type Looked, type Scope } from './scope.ts';
import { thinDeal } from './thin-deal.ts';
import { idleTiers, worseThanShelf } from './worse-than-shelf.ts';

/** A reduction is remembered for thirty days. */
const BESIDE = 32 * DAY;

/** Whether what one of two promotions does may bear on what is found of the other. */
export function meets({ compiled }: Scope, a: Looked, b: Looked): boolean {
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

/** What is found of one promotion, and of it and those that come after it, but for what single tag prices tell. */
export function lookAt(scope: Scope, one: Looked): readonly Finding[] {
  const { changes, offers } = scope;
  const whole = [...openEnd(scope, one), ...nothingThere(scope, one)];
  if (isChange(one)) {
    const later = changes.slice(changes.indexOf(one) + 1);
    return [
      ...whole,
      ...raisesPrice(scope, one),
      ...neverWins(scope, one),
      ...later.flatMap((other) => overlapping(scope, one, other)),
    ];
  }
  if (!isOffer(one)) return whole;
  // What is worked out over all that is paid does not ask what single goods cost.
  const scenes = isUnitOffer(one.promotion.offer) ? scenesOf(scope, one) : [];
  const later = offers.slice(offers.indexOf(one) + 1);
  return [
    ...whole,
    ...giftNotCarried(scope, one),
    ...beyondLimit(scope, one),
    ...worseThanShelf(scope, one, scenes),
    ...idleTiers(scope, one, scenes),
    ...thinDeal(scope, one, scenes),
    ...later.flatMap((other) => sameUnits(scope, one, other)),
  ];
}
