import { assign, budgetFor, type Choice, type Memory } from '../assignment/index.ts';
import type { OfferInBasket, Unit } from '../offer/index.ts';
import { type Applied, appliedTo } from './applied.ts';
import { offersInBasket } from './offers-in-basket.ts';
import { priorityChoice } from './priority-choice.ts';
import type { Ringing } from './ringing.ts';

/** The offers of a basket as the search knows them, and what it has proved of them. */
export interface Searched {
  readonly offers: readonly OfferInBasket[];
  readonly memory: Memory;
}

export function searchedOf({ live, units, goods }: Ringing): Searched {
  let offers: readonly OfferInBasket[] | undefined;
  return {
    get offers() {
      offers ??= offersInBasket(live, units, goods);
      return offers;
    },
    memory: new Map(),
  };
}

/**
 * Pricing rules 4.2: the applications of unit offers that the policy of the plan wants, worked out to the last cent.
 * @param searched of the whole basket, of which `live` may be a part
 * @param work that the search may do; null: as much as such a basket is given
 */
export function chooseOffers(
  { compiled, units, live, goods }: Ringing,
  searched: Searched,
  work: number | null,
): { choice: Choice<Unit>; applied: Applied[] } {
  const budget = { left: work ?? budgetFor(units.length, live.length) };
  const byId = new Map(live.map((one) => [one.promotion.id, one]));
  const { choice, offers } = compiled.plan.policy.baskets === 'priority' ? inPriority() : inBest();
  const used = new Map<number, Unit[]>();
  for (const { unit, contender } of choice.taken) used.set(contender, [...(used.get(contender) ?? []), unit]);
  const applied = [...used].map(([number, own]) => {
    const offer = offers[number]!;
    return appliedTo(offer, byId.get(offer.name)!.promotion.offer, own, goods);
  });
  return { choice, applied };

  function inBest() {
    const { offers, memory } = searched;
    const wanted = offers.filter(({ name }) => byId.has(name));
    return { choice: assign(wanted, budget, memory), offers };
  }
  function inPriority() {
    const choice = priorityChoice(
      live.map(({ promotion }) => promotion),
      units,
      (id, free) => offersInBasket([byId.get(id)!], free, goods),
      budget,
    );
    return { choice, offers: choice.offers };
  }
}
