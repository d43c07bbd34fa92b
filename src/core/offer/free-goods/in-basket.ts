import { countedAutomata } from '../counted/counted-automata.ts';
import { countedBy } from '../counted/counted-by.ts';
import { type MakeAutomaton, type Members, pricedEach, type UnitOfferInBasket } from '../room/in-basket.ts';
import { FREE, freeGoodsAutomaton, freeUnits, giftAutomaton } from './automaton.ts';
import type { FreeGoods } from './free-goods.ts';

export const freeGoodsInBasket: UnitOfferInBasket<FreeGoods> = {
  leastUnits: ({ minimum }) => [minimum],
  automata,
  prices: ({ gift }, application) =>
    gift === null
      ? pricedEach(application, (start, role) => (role === FREE ? 0 : start))
      : application.run.units.map(({ tag }) => tag),
  apart: ({ count }, unit, goods) => countedBy(count, unit, goods),
  counted: (offer) => ({
    by: offer.count,
    keyOf: (unit, goods) => countedBy(offer.count, unit, goods),
    missing(units) {
      const now = freeUnits(offer, units);
      const furthest = Math.max(offer.minimum, offer.every) + offer.every;
      for (let add = 1; add <= furthest; add++) if (freeUnits(offer, units + add) > now) return add;
      return null;
    },
  }),
  earnsGift: (offer, units) => offer.gift !== null && freeUnits(offer, units) > 0,
  trials({ minimum, every }) {
    const first = Math.ceil(minimum / every) * every;
    return { of: 'units', counts: [first, first + every, first + 2 * every] };
  },
};

function automata(offer: FreeGoods, members: Members): MakeAutomaton[] {
  const worth = offer.gift === null ? null : members.goods.giftWorth(offer.gift);
  if (offer.gift !== null && worth === null) return [];
  return countedAutomata(offer.count, offer.minimum, members, (number, units) =>
    worth === null
      ? freeGoodsAutomaton(number, offer, units, members.start)
      : giftAutomaton(number, offer, units, worth),
  );
}
