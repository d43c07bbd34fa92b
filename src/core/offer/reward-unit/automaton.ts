import { type Limit, NOTHING, type Taking, taking } from '../../assignment/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import type { StartingPrice, Unit } from '../room/unit.ts';
import { priceUnder } from '../value/index.ts';
import type { RewardUnit } from './reward-unit.ts';

export const PAID = 0;
export const REWARDED = 1;

/** Pricing rules 4.1, mix-and-match, reward unit. */
export function rewardUnitAutomaton(
  number: number,
  offer: RewardUnit,
  members: readonly Unit[],
  start: StartingPrice,
  limit: Limit,
): OfferAutomaton {
  const take = (to: number, role: number, unit: Unit, done = 0): Taking => {
    const price = role === REWARDED ? priceUnder(offer.value, start(unit)) : start(unit);
    return taking(to, role, unit.tag - price, done);
  };
  const automaton =
    offer.pick === 'cheapest' ? cheapest(offer, limit, take) : dearest(offer, members.length, limit, take);
  return { contender: number, members, ordered: true, start: 0, ...automaton };
}

type Rules = Pick<OfferAutomaton, 'takings' | 'accepts'>;
type Take = (to: number, role: number, unit: Unit, done?: number) => Taking;

/**
 * Read by falling price, each application is best made of units that follow each other: its last ones are its
 * cheapest. A state is the units of the open application, and those made so far where they are limited.
 */
function cheapest({ take, rewarded }: RewardUnit, limit: Limit, taken: Take): Rules {
  const limited = Number.isFinite(limit);
  return {
    takings(state, unit) {
      const fill = state % take;
      const made = Math.floor(state / take);
      if (made >= limit) return [];
      const role = fill >= take - rewarded ? REWARDED : PAID;
      if (fill + 1 < take) return [taken(state + 1, role, unit)];
      return [taken(limited ? (made + 1) * take : 0, role, unit, 1)];
    },
    accepts: (state) => (state % take === 0 ? NOTHING : null),
  };
}

/**
 * The dearest of every application are the dearest of all the units used: first all rewarded ones are read, then as many
 * others as belong to them. States below `many` count the rewarded, those from there on the others still to come.
 */
function dearest({ take, rewarded }: RewardUnit, units: number, limit: Limit, taken: Take): Rules {
  const others = take - rewarded;
  const many = units + 1;
  const most = Number.isFinite(limit) ? limit * rewarded : units;
  return {
    takings(state, unit) {
      if (state >= many) {
        const left = state - many;
        return left === 0 ? [] : [taken(many + left - 1, PAID, unit)];
      }
      const ways = state < most ? [taken(state + 1, REWARDED, unit)] : [];
      const made = state / rewarded;
      if (others > 0 && state > 0 && Number.isInteger(made))
        ways.push(taken(many + made * others - 1, PAID, unit, made));
      return ways;
    },
    accepts(state) {
      if (state === 0 || state === many) return NOTHING;
      if (others > 0 || state > many) return null;
      return state % rewarded === 0 ? { ...NOTHING, done: state / rewarded } : null;
    },
  };
}
