import { countedAutomata } from '../counted/counted-automata.ts';
import { countedBy } from '../counted/counted-by.ts';
import { pricedEach, type UnitOfferInBasket } from '../room/in-basket.ts';
import { priceUnder } from '../value/index.ts';
import { quantityBreakAutomaton, tierFor } from './automaton.ts';
import type { QuantityBreak } from './quantity-break.ts';

export const quantityBreakInBasket: UnitOfferInBasket<QuantityBreak> = {
  leastUnits: ({ tiers }) => [tiers[0]!.atLeast],
  automata: (offer, members) =>
    countedAutomata(offer.count, offer.tiers[0]!.atLeast, members, (number, units) =>
      quantityBreakAutomaton(number, offer, units, members.start),
    ),
  prices: ({ tiers }, application) =>
    pricedEach(application, (start, role) =>
      role === 0 ? start : priceUnder(tiers[role - 1]!.value, start),
    ),
  apart: ({ count }, unit, goods) => countedBy(count, unit, goods),
  counted: ({ count, tiers }) => ({
    by: count,
    keyOf: (unit, goods) => countedBy(count, unit, goods),
    missing(units) {
      const next = tiers[tierFor(tiers, units) + 1];
      return next ? next.atLeast - units : null;
    },
  }),
  trials: ({ tiers }) => ({
    of: 'units',
    counts: [1, ...tiers.map(({ atLeast }) => atLeast).filter((count) => count > 1)],
  }),
  namedPrices: ({ tiers }) =>
    tiers.flatMap(({ atLeast, value }) =>
      value.kind === 'each' ? [{ pays: value.amount, units: [1], tier: atLeast }] : [],
    ),
  idleTiers: ({ tiers }, tags) =>
    tags.length === 0
      ? []
      : [...tiers.keys()].filter(
          (i) =>
            i > 0 &&
            !tags.some((tag) => priceUnder(tiers[i]!.value, tag) < priceUnder(tiers[i - 1]!.value, tag)),
        ),
};
