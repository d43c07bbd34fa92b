import type { Limit } from '../../assignment/index.ts';
import { percentOf } from '../../money/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import type { StartingPrice, Unit } from '../room/unit.ts';
import type { Bundle } from './bundle.ts';
import { countingAutomaton, type Worth } from './counting-automaton.ts';
import { fallingBundleAutomaton } from './falling-bundle.ts';

/**
 * Pricing rules 4.1, mix-and-match, bundle: exactly `take` units a time. Its one role is 0. The units used are bundled by
 * falling price, which matters for an amount off alone: all else is a sum over the units, and of a total in the place
 * of starting prices that are lower, no other way of bundling takes more.
 */
export function bundleAutomaton(
  number: number,
  offer: Bundle,
  members: readonly Unit[],
  start: StartingPrice,
  limit: Limit,
): OfferAutomaton {
  if (offer.value.kind === 'amountOff') {
    const { amount } = offer.value;
    const prices = members.map(start).sort((a, b) => a - b);
    const sum = (some: readonly number[]) => some.reduce((all, price) => all + price, 0);
    // What no bundle of them costs makes every one of them free.
    if (sum(prices.slice(-offer.take)) <= amount)
      return countingAutomaton(number, offer.take, members, [FREE], limit);
    if (offer.take > 1 && sum(prices.slice(0, offer.take)) < amount)
      return fallingBundleAutomaton(number, { take: offer.take, amount }, members, start, limit);
  }
  const worth = worthOf(offer, start);
  // Where a tag is above its base, going back to the bases alone may be the bundle's whole saving.
  const bare =
    offer.value.kind === 'total' && members.some((unit) => unit.tag > start(unit))
      ? { unit: (unit: Unit) => unit.tag - start(unit), whole: 0 }
      : null;
  const ways = bare ? [worth, bare] : [worth];
  return countingAutomaton(number, offer.take, members, ways, limit);
}

const FREE: Worth = { unit: ({ tag }) => tag, whole: 0 };

function worthOf(offer: Bundle, start: StartingPrice): Worth {
  const { value } = offer;
  switch (value.kind) {
    case 'total':
      return { unit: ({ tag }) => tag, whole: -value.amount };
    case 'amountOff':
      // A bundle of one takes no more than its unit costs; any other like that is bundled by falling price.
      return offer.take === 1
        ? { unit: (unit) => unit.tag - start(unit) + Math.min(value.amount, start(unit)), whole: 0 }
        : { unit: (unit) => unit.tag - start(unit), whole: value.amount };
    case 'each':
      return { unit: (unit) => unit.tag - Math.min(value.amount, start(unit)), whole: 0 };
    case 'percentOff':
      return {
        unit: (unit) => unit.tag - start(unit) + percentOf(start(unit), value.percent),
        whole: 0,
      };
  }
}
