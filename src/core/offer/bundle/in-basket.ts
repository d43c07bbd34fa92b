import { percentOf } from '../../money/index.ts';
import { type Application, pricedEach, type UnitOfferInBasket } from '../room/in-basket.ts';
import { reducedTogether } from '../room/reduced-together.ts';
import { bundleAutomaton } from './automaton.ts';
import type { Bundle } from './bundle.ts';

export const bundleInBasket: UnitOfferInBasket<Bundle> = {
  leastUnits: ({ take }) => [take],
  automata: (offer, { units, start, limit }) => [
    (number) => bundleAutomaton(number, offer, units, start, limit),
  ],
  prices({ value, take }, application) {
    switch (value.kind) {
      case 'each':
        return pricedEach(application, (start) => Math.min(value.amount, start));
      case 'percentOff':
        return pricedEach(application, (start) => start - percentOf(start, value.percent));
      case 'total':
        return reducedTogether(application, bundlesOf(take, application), (sum) =>
          Math.max(0, sum - value.amount),
        );
      case 'amountOff':
        return reducedTogether(application, bundlesOf(take, application), (sum) =>
          Math.min(value.amount, sum),
        );
    }
  },
  shares: ({ value }) => value.kind === 'total' || value.kind === 'amountOff',
  trials: ({ take }) => ({ of: 'parts', counts: [take] }),
  namedPrices({ value, take }) {
    if (value.kind === 'total') return [{ pays: value.amount, units: [take], tier: null }];
    return value.kind === 'each' ? [{ pays: value.amount, units: [1], tier: null }] : [];
  },
};

/** Places of the units of each bundle: those that follow each other by falling price. */
function bundlesOf(take: number, { run: { units } }: Application): readonly (readonly number[])[] {
  const places = units.map((_, i) => i);
  return places.filter((i) => i % take === 0).map((i) => places.slice(i, i + take));
}
