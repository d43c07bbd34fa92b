import { percentOf } from '../../money/index.ts';
import { type Application, pricedEach, type UnitOfferInBasket } from '../room/in-basket.ts';
import { reducedTogether } from '../room/reduced-together.ts';
import type { Unit } from '../room/unit.ts';
import { comboAutomaton } from './automaton.ts';
import type { Combo } from './combo.ts';

export const comboInBasket: UnitOfferInBasket<Combo> = {
  leastUnits: quantities,
  automata: (offer, { units, start, limit, fits, goods }) => [
    (number) => comboAutomaton(number, offer, units, start, limit, fits, goods.skuOf),
  ],
  prices,
  apart: ({ extra }, unit, goods) => String(extra.get(goods.skuOf(unit.item)) ?? ''),
  shares: ({ value }) => value?.kind === 'total',
  trials: (offer) => ({ of: 'parts', counts: quantities(offer) }),
  namedPrices(offer) {
    const { value, slots } = offer;
    if (value?.kind === 'percentOff') return [];
    const each = slots.reduce((sum, slot) => sum + slot.quantity * (slot.each ?? 0), 0);
    return [{ pays: value?.amount ?? each, units: quantities(offer), tier: null }];
  },
};

function quantities({ slots }: Combo): number[] {
  return slots.map(({ quantity }) => quantity);
}

function prices({ slots, value, extra }: Combo, application: Application): number[] {
  const { run, goods } = application;
  const extraOf = ({ item }: Unit) => extra.get(goods.skuOf(item)) ?? 0;
  if (value === null)
    return pricedEach(application, (start, role, unit) =>
      Math.min(start, slots[role]!.each! + extraOf(unit)),
    );
  if (value.kind === 'percentOff')
    return pricedEach(application, (start) => start - percentOf(start, value.percent));
  const ofSlot = slots.map((_, slot) => run.units.map((_u, i) => i).filter((i) => run.roles[i] === slot));
  const combos = Array.from({ length: run.done }, (_, combo) =>
    slots.flatMap(({ quantity }, slot) => ofSlot[slot]!.slice(combo * quantity, (combo + 1) * quantity)),
  );
  return reducedTogether(application, combos, (sum, places) => {
    const deal = value.amount + places.reduce((more, i) => more + extraOf(run.units[i]!), 0);
    return Math.max(0, sum - deal);
  });
}
