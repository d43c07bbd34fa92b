import { pricedEach, type UnitOfferInBasket } from '../room/in-basket.ts';
import { priceUnder } from '../value/index.ts';
import { REWARDED, rewardUnitAutomaton } from './automaton.ts';
import type { RewardUnit } from './reward-unit.ts';

export const rewardUnitInBasket: UnitOfferInBasket<RewardUnit> = {
  leastUnits: ({ take }) => [take],
  automata: (offer, { units, start, limit }) => [
    (number) => rewardUnitAutomaton(number, offer, units, start, limit),
  ],
  prices: ({ value }, application) =>
    pricedEach(application, (start, role) => (role === REWARDED ? priceUnder(value, start) : start)),
  trials: ({ take }) => ({ of: 'parts', counts: [take] }),
  namedPrices: ({ value }) => (value.kind === 'each' ? [{ pays: value.amount, units: [1], tier: null }] : []),
};
