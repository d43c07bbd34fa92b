import { NOTHING, taking, unordered } from '../../assignment/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import type { StartingPrice, Unit } from '../room/unit.ts';
import type { FreeGoods } from './free-goods.ts';

export const USED = 0;
export const FREE = 1;

const ONE = { gain: 0, gifts: 0, done: 1 };

/** Pricing rules 4.1, free goods: how many units are free of a number of used ones. */
export function freeUnits(offer: FreeGoods, used: number): number {
  if (used < offer.minimum) return 0;
  const { every, free, parts, maxFree } = offer;
  const earned = parts === 'whole' ? Math.floor(used / every) * free : Math.floor((used * free) / every);
  return Math.min(earned, maxFree ?? earned, offer.gift === null ? used : earned);
}

/**
 * Out of the quantity: of the units used, read by falling price, the last ones are free. How many is a matter of how many
 * are used, so that a run decides when its free ones begin. States below `many` count paid units, those from there on
 * the free ones still to come.
 */
export function freeGoodsAutomaton(
  number: number,
  offer: FreeGoods,
  members: readonly Unit[],
  start: StartingPrice,
): OfferAutomaton {
  const many = members.length + 1;
  const freeAfter = new Map<number, number[]>();
  for (let used = 1; used <= members.length; used++) {
    const free = freeUnits(offer, used);
    if (free > 0) freeAfter.set(used - free, [...(freeAfter.get(used - free) ?? []), free]);
  }
  return {
    contender: number,
    members,
    ordered: true,
    start: 0,
    takings(state, unit) {
      if (state >= many) return state === many ? [] : [taking(state - 1, FREE, unit.tag)];
      const begun = (freeAfter.get(state) ?? []).map((free) => taking(many + free - 1, FREE, unit.tag));
      return [taking(state + 1, USED, unit.tag - start(unit)), ...begun];
    },
    accepts: (state) => (state === 0 ? NOTHING : state === many ? ONE : null),
  };
}

/**
 * On top: used units keep their tag price and earn gifts. A state counts the units used.
 * @param worth the tag price of one gift.
 */
export function giftAutomaton(
  number: number,
  offer: FreeGoods,
  members: readonly Unit[],
  worth: number,
): OfferAutomaton {
  return unordered(number, members, {
    takings(state) {
      const gifts = (freeUnits(offer, state + 1) - freeUnits(offer, state)) * worth;
      return [taking(state + 1, USED, gifts, 0, gifts)];
    },
    accepts: (state) => (state === 0 ? NOTHING : freeUnits(offer, state) > 0 ? ONE : null),
  });
}
