import { NOTHING, taking, unordered } from '../../assignment/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import type { StartingPrice, Unit } from '../room/unit.ts';
import { priceUnder } from '../value/index.ts';
import type { QuantityBreak } from './quantity-break.ts';

/**
 * Pricing rules 4.1, quantity break, over units that are counted together. Roles are numbers of tiers from 1 on;
 * 0 is a unit before the first tier of a graduated break.
 */
export function quantityBreakAutomaton(
  number: number,
  offer: QuantityBreak,
  members: readonly Unit[],
  start: StartingPrice,
): OfferAutomaton {
  return offer.beyond
    ? graduatedAutomaton(number, offer, members, start)
    : allUnitsAutomaton(number, offer, members, start);
}

const ONE = { gain: 0, gifts: 0, done: 1 };

/** The highest tier with its start at or below a number of units; -1: none. */
export function tierFor(tiers: QuantityBreak['tiers'], units: number): number {
  let found = -1;
  tiers.forEach(({ atLeast }, i) => {
    if (atLeast <= units) found = i;
  });
  return found;
}

/** All used units get the value of the tier that their number reaches: a run says at once which one it aims at. */
function allUnitsAutomaton(
  number: number,
  { tiers }: QuantityBreak,
  members: readonly Unit[],
  start: StartingPrice,
): OfferAutomaton {
  // A state is a tier that is aimed at and how many units are taken; no tier takes more than these.
  const mostOf = tiers.map(({ atLeast }, i) => (tiers[i + 1] ? tiers[i + 1]!.atLeast - 1 : atLeast));
  const radix = Math.max(...mostOf) + 1;
  const aims = [...tiers.keys()].filter((tier) => tiers[tier]!.atLeast <= members.length);
  const gain = (unit: Unit, tier: number) => unit.tag - priceUnder(tiers[tier]!.value, start(unit));
  return unordered(number, members, {
    takings(state, unit) {
      if (state === 0) return aims.map((tier) => taking((tier + 1) * radix + 1, tier + 1, gain(unit, tier)));
      const tier = Math.floor(state / radix) - 1;
      const taken = state % radix;
      if (taken < mostOf[tier]!) return [taking(state + 1, tier + 1, gain(unit, tier))];
      return tier === tiers.length - 1 ? [taking(state, tier + 1, gain(unit, tier))] : [];
    },
    accepts(state) {
      if (state === 0) return NOTHING;
      return state % radix >= tiers[Math.floor(state / radix) - 1]!.atLeast ? ONE : null;
    },
  });
}

/** Each used unit gets the value of the tier in which it stands, the dearest first. A state is how many are taken. */
function graduatedAutomaton(
  number: number,
  { tiers }: QuantityBreak,
  members: readonly Unit[],
  start: StartingPrice,
): OfferAutomaton {
  const most = tiers.at(-1)!.atLeast;
  return {
    contender: number,
    members,
    ordered: true,
    start: 0,
    takings(state, unit) {
      const tier = tierFor(tiers, state + 1);
      const price = tier < 0 ? start(unit) : priceUnder(tiers[tier]!.value, start(unit));
      return [taking(Math.min(state + 1, most), tier + 1, unit.tag - price)];
    },
    accepts: (state) => (state === 0 ? NOTHING : state >= tiers[0]!.atLeast ? ONE : null),
  };
}
