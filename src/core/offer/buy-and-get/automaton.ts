import type { Limit } from '../../assignment/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import { type Part, partsAutomaton } from '../room/parts-automaton.ts';
import type { StartingPrice, Unit } from '../room/unit.ts';
import { priceUnder } from '../value/index.ts';
import type { BuyAndGet } from './buy-and-get.ts';

/**
 * Pricing rules 4.1, mix-and-match, buy and get. The last role is the got unit, those before it the parts that are bought.
 * @param fits whether a unit is among the goods of a part; the last one is what is got.
 */
export function buyAndGetAutomaton(
  number: number,
  offer: BuyAndGet,
  members: readonly Unit[],
  start: StartingPrice,
  limit: Limit,
  fits: readonly ((unit: Unit) => boolean)[],
): OfferAutomaton {
  const bought = offer.buy.map(
    ({ quantity }, i): Part => ({ quantity, fits: fits[i]!, gain: (unit) => unit.tag - start(unit) }),
  );
  const got: Part = {
    quantity: offer.get.quantity,
    fits: fits.at(-1)!,
    gain: (unit) => unit.tag - priceUnder(offer.value, start(unit)),
  };
  const way = { parts: [...bought, got], whole: 0 };
  if (!offer.notDearer) return partsAutomaton(number, way, members, limit);
  // By falling price, every got unit needs all that is bought with it to be read before it, or at its own price.
  const covered = (counts: readonly number[], last: boolean): boolean => {
    if (!last) return true;
    const open = Math.ceil(counts.at(-1)! / offer.get.quantity);
    return offer.buy.every(({ quantity }, i) => Math.floor(counts[i]! / quantity) >= open);
  };
  return partsAutomaton(number, way, members, limit, { ordered: true, holds: covered });
}
