import { pricedEach, type UnitOfferInBasket } from '../room/in-basket.ts';
import { priceUnder } from '../value/index.ts';
import { buyAndGetAutomaton } from './automaton.ts';
import type { BuyAndGet } from './buy-and-get.ts';

export const buyAndGetInBasket: UnitOfferInBasket<BuyAndGet> = {
  leastUnits: quantities,
  automata: (offer, { units, start, limit, fits }) => [
    (number) => buyAndGetAutomaton(number, offer, units, start, limit, fits),
  ],
  // The last role is the got unit.
  prices: ({ buy, value }, application) =>
    pricedEach(application, (start, role) => (role === buy.length ? priceUnder(value, start) : start)),
  trials: (offer) => ({ of: 'parts', counts: quantities(offer) }),
  namedPrices: ({ buy, value }) =>
    value.kind === 'each' ? [{ pays: value.amount, units: [...buy.map(() => 0), 1], tier: null }] : [],
};

function quantities({ buy, get }: BuyAndGet): number[] {
  return [...buy.map(({ quantity }) => quantity), get.quantity];
}
