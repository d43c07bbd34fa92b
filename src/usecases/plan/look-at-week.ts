import {
  done,
  failed,
  may,
  type Outcome,
  type Person,
  type WeekRequest,
  type WeekView,
} from '../../contracts/index.ts';
import { dayOf, formatLocalDate } from '../../core/calendar/index.ts';
import { weekOutlook } from '../../core/outlook/index.ts';
import { placeAsked } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { assumptionsOf, sumsIn } from './outlook-view.ts';

/** What all approved promotions of seven days would do, department by department. */
export async function lookAtWeek(
  ports: { book: PlanBook },
  person: Person,
  request: WeekRequest,
): Promise<Outcome<WeekView>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const { compiled } = current;
  const asked = placeAsked(request, person, current);
  if (!asked.ok) return asked;
  const { at, stores } = asked.value;
  const week = weekOutlook(compiled, dayOf(at), stores, assumptionsOf(request.assumed));
  const { compared } = sumsIn(compiled, person.costs);
  const names = new Map(compiled.plan.nodes.map(({ id, name }) => [id, name]));
  return done({
    currency: compiled.plan.currency.code,
    from: formatLocalDate(dayOf(at)),
    departments: week.departments.map(({ department, goods, promoted, ...one }) => ({
      ...{ id: department, name: names.get(department) ?? department, goods, promoted },
      ...compared(one),
    })),
    days: week.days.map((one) => ({ date: formatLocalDate(one.day), ...compared(one) })),
    whole: compared(week.whole),
    withoutCost: person.costs ? week.withoutCost : 0,
    stores: week.stores,
  });
}
