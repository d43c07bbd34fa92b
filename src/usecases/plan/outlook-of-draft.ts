import {
  done,
  failed,
  may,
  type Outcome,
  type OutlookRequest,
  type OutlookView,
  type Person,
} from '../../contracts/index.ts';
import { formatLocalDate, formatWallTime } from '../../core/calendar/index.ts';
import { type Assumptions, lastTime, outlookOf } from '../../core/outlook/index.ts';
import { type Promotion, readPromotion } from '../../core/plan/index.ts';
import { apply, type CompiledPlan } from '../../core/price-book/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { assumptionsOf, sumsIn } from './outlook-view.ts';
import { readPromotionInput } from './save-promotion.ts';

const GOODS_TOLD = 200;

/** What a draft would do to units, takings and margin, day by day, if what is assumed is so. */
export async function outlookOfDraft(
  ports: { book: PlanBook },
  person: Person,
  input: OutlookRequest,
): Promise<Outcome<OutlookView>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const { compiled, document } = await seenBy(ports.book, person);
  const read = readPromotionInput(input.promotion, document);
  if (!read.ok) return read;
  const draft = readPromotion(read.value, compiled.plan.currency);
  const assumed = assumptionsOf(input.assumed);
  const { days, whole, goods, losing, breakEven, withoutCost, stores } = outlookOf(compiled, draft, assumed);
  const { sums, compared } = sumsIn(compiled, person.costs);
  const nodes = new Map(compiled.plan.nodes.map(({ id, name }) => [id, name]));
  return done({
    currency: compiled.plan.currency.code,
    days: days.map((one) => ({
      date: formatLocalDate(one.day),
      ...compared(one),
      others: sums(one.others),
    })),
    whole: { ...compared(whole), others: sums(whole.others) },
    breakEven: person.costs && breakEven !== null ? Math.ceil(breakEven * 100) : null,
    // Their order would tell what they earn.
    goods: (person.costs ? goods : goods.toSorted((a, b) => b.with.takings - a.with.takings))
      .slice(0, GOODS_TOLD)
      .map((one) => ({ sku: one.sku, name: one.name, ...compared(one) })),
    more: Math.max(0, goods.length - GOODS_TOLD),
    losing: losing.map(({ node, goods: count, lost, most }) => ({
      group: nodes.get(node) ?? node,
      goods: count,
      lost: sums(lost),
      most: most.map(({ name }) => name),
    })),
    withoutCost: person.costs ? withoutCost : 0,
    stores,
    last: lastOf(compiled, draft, assumed, person.costs),
  });
}

function lastOf(
  compiled: CompiledPlan,
  draft: Promotion,
  assumed: Assumptions,
  costs: boolean,
): OutlookView['last'] {
  const promotion: Promotion = { ...draft, status: 'approved' };
  const last = lastTime(apply(compiled, { kind: 'put-promotion', promotion }).compiled, promotion);
  if (!last) return null;
  const { id, name, when } = last.promotion;
  const then = outlookOf(compiled, last.promotion, assumed);
  return {
    ...{ id, name, from: formatWallTime(when.from), to: formatWallTime(when.to!) },
    days: then.days.length,
    goods: last.goods,
    whole: sumsIn(compiled, costs).compared(then.whole),
  };
}
