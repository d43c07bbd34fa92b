import type { HouseView, Person } from '../../contracts/index.ts';
import { dayNumber, parseLocalDate } from '../../core/calendar/index.ts';
import { shutHours } from '../../core/consequences/index.ts';
import { brokenRules, type HouseRules } from '../../core/house-rules/index.ts';
import { type PromotionDocument, readPromotion } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { notTheirs } from '../people/index.ts';
import { needsTwo } from './house.ts';

/** What the house has to say of a draft: hours at which its stores are shut, its own rules, who has to approve it. */
export function houseView(
  compiled: CompiledPlan,
  draft: PromotionDocument,
  house: HouseRules,
  person: Person,
): HouseView {
  const shutDays = new Set(house.shutDays.map(({ day }) => dayNumber(parseLocalDate(day)!)));
  const shut = shutHours(compiled, readPromotion(draft, compiled.plan.currency), shutDays);
  return {
    shut: shut.map(({ what, stores }) => ({
      what,
      stores: stores.length,
      example: compiled.stores.get(stores[0]!)!.name,
    })),
    broken: brokenRules(draft.when, house),
    foreign: notTheirs(person, compiled, draft)?.what ?? null,
    two: needsTwo(compiled, draft, house) ? house.secondFrom : null,
  };
}
