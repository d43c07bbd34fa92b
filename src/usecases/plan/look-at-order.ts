import {
  done,
  failed,
  may,
  type OrderRequest,
  type OrderView,
  type Outcome,
  type Person,
  writingOf,
} from '../../contracts/index.ts';
import { DAY, dayOf, formatLocalDate, midnight, spansWithin, wallTime } from '../../core/calendar/index.ts';
import { isBasketReward } from '../../core/offer/index.ts';
import { type PromotionDocument, readSchedule } from '../../core/plan/index.ts';
import { type CompiledPlan, goodsOf } from '../../core/price-book/index.ts';
import { storesOf } from '../../core/selection/index.ts';
import { namesOf, promotionText } from '../../core/sentence/index.ts';
import { placeAsked } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook, PromotionStore } from '../ports/index.ts';

/** The approved promotions that count at some hour of a day, in the order in which they go. */
export async function lookAtOrder(
  ports: { book: PlanBook; promotions: PromotionStore },
  person: Person,
  request: OrderRequest,
): Promise<Outcome<OrderView>> {
  if (!may(person, 'see') || person.stores !== null) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const { compiled, document } = current;
  const asked = placeAsked(request, person, current);
  if (!asked.ok) return asked;
  const { at, stores } = asked.value;
  const clock = compiled.clockOf(compiled.stores.get(stores[0] ?? '') ?? { timeZone: 'UTC' });
  const start = midnight(dayOf(at));
  const day = { from: clock.toInstant(start), to: clock.toInstant(wallTime(start + DAY)) };
  const counts = ({ status, when, where }: PromotionDocument): boolean => {
    if (status !== 'approved' || spansWithin(readSchedule(when), clock, day).length === 0) return false;
    const among = storesOf(where ?? { all: true }, compiled.plan);
    return stores.some((id) => among.has(id));
  };
  const names = namesOf(document, writingOf(person));
  const waiting = new Set(
    (await ports.promotions.all()).flatMap(({ promotion, proposal }) => (proposal ? [promotion.id] : [])),
  );
  const { priceChanges = 'priority', baskets = 'best' } = document.policy ?? {};
  const counted = document.promotions.filter(counts);
  return done({
    date: formatLocalDate(dayOf(at)),
    policy: { priceChanges, baskets },
    promotions: counted
      .map(({ id, name, priority = 100, alone, startsFrom, offer, ...rest }) => ({
        ...{ id, name, priority, offer, waits: waiting.has(id) },
        ...(alone ? { alone } : {}),
        ...(startsFrom ? { startsFrom } : {}),
        what: promotionText({ id, name, offer, ...rest }, document.currency, names),
      }))
      .sort((a, b) => a.priority - b.priority || (a.id < b.id ? -1 : 1)),
    meets: meetings(compiled, counted),
    rewards: document.promotions
      .filter(({ offer }) => isBasketReward(offer))
      .map(({ id, offer }) => ({ id, offer })),
  });
}

/** Which of these can meet: those that are about a good of each other in a store of each other. */
function meetings(
  compiled: CompiledPlan,
  promotions: readonly PromotionDocument[],
): (readonly [string, string])[] {
  const reach = promotions.map(({ id, where }) => ({
    id,
    goods: goodsOf(compiled, id),
    stores: storesOf(where ?? { all: true }, compiled.plan),
  }));
  const share = <T>(a: ReadonlySet<T>, b: ReadonlySet<T>): boolean => {
    const [few, many] = a.size < b.size ? [a, b] : [b, a];
    for (const one of few) if (many.has(one)) return true;
    return false;
  };
  return reach.flatMap((a, i) =>
    reach
      .slice(i + 1)
      .filter((b) => share(a.goods, b.goods) && share(a.stores, b.stores))
      .map((b) => [a.id, b.id] as const),
  );
}
