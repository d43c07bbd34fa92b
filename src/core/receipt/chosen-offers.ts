import { assign, budgetFor, type Choice } from '../assignment/index.ts';
import type { OfferInBasket, Unit } from '../offer/index.ts';
import { type Applied, appliedTo } from './applied.ts';
import { offersInBasket } from './offers-in-basket.ts';
import { priorityChoice } from './priority-choice.ts';
import type { Ringing } from './ringing.ts';

/**
 * Pricing rules 4.2: the applications of unit offers that the policy of the plan wants, worked out to the last cent.
 * @param work that the search may do; null: as much as such a basket is given
 */
export function chooseOffers(
  { compiled, units, live, goods }: Ringing,
  work: number | null,
): { choice: Choice<Unit>; applied: Applied[] } {
  const budget = { left: work ?? budgetFor(units.length, live.length) };
  const byId = new Map(live.map((one) => [one.promotion.id, one]));
  const { choice, offers } =
    compiled.plan.policy.baskets === 'priority' ? inPriority() : inBest(offersInBasket(live, units, goods));
  const used = new Map<number, Unit[]>();
  for (const { unit, contender } of choice.taken) used.set(contender, [...(used.get(contender) ?? []), unit]);
  const applied = [...used].map(([number, own]) => {
    const offer = offers[number]!;
    return appliedTo(offer, byId.get(offer.name)!.promotion.offer, own, goods);
  });
  return { choice, applied };

  function inBest(offers: readonly OfferInBasket[]) {
    return { choice: assign(offers, budget), offers };
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
