import { assign, type Budget, type Choice } from '../assignment/index.ts';
import type { OfferInBasket, Unit } from '../offer/index.ts';

/**
 * Pricing rules 4.2, policy `priority`: offers in the order of priority and id; each makes, from the units that are
 * still free, the applications with the greatest saving that it can.
 * @param offersOver the offers of one promotion over some units.
 */
export function priorityChoice(
  promotions: readonly { readonly id: string; readonly priority: number }[],
  units: readonly Unit[],
  offersOver: (promotion: string, units: readonly Unit[]) => readonly OfferInBasket[],
  budget: Budget,
): Choice<Unit> & { readonly offers: readonly OfferInBasket[] } {
  const used = new Set<number>();
  const offers: OfferInBasket[] = [];
  const all: { taken: Choice<Unit>['taken'][number][]; saving: number; proved: boolean; bound: number } = {
    taken: [],
    saving: 0,
    proved: true,
    bound: 0,
  };
  for (const { id } of promotions.toSorted((a, b) => a.priority - b.priority || (a.id < b.id ? -1 : 1))) {
    const free = units.filter(({ position }) => !used.has(position));
    const own = offersOver(id, free);
    const choice = assign(own, budget);
    for (const taken of choice.taken) {
      used.add(taken.unit.position);
      all.taken.push({ ...taken, contender: offers.length + taken.contender });
    }
    offers.push(...own);
    all.saving += choice.saving;
    all.proved &&= choice.proved;
    all.bound += choice.bound;
  }
  return { ...all, offers };
}
