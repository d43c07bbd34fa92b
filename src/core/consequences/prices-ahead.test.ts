import { describe, expect, it } from 'vitest';
import { change, compiled, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { DAY, dayNumber, midnight, parseMoment, wallTime } from '../calendar/index.ts';
import { type CompiledPlan, NO_PRICE, priceAt } from '../price-book/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { pricesAhead } from './index.ts';

const WHEN = { from: '2027-03-03T09:00', to: '2027-03-06T20:00' };
const milk = (id: string, priority: number, percentOff: number) =>
  change(id, { when: WHEN, priority, items: { items: ['milk'] }, formula: { percentOff } });
const [FIRST, OTHER] = [milk('first', 2, 500), milk('other', 3, 2_000)];
/** One of them in another time zone. */
const SPREAD = {
  ...withPromotions(FIRST, OTHER),
  stores: SMALL.stores.map((store, i) => (i === 0 ? { ...store, timeZone: 'Pacific/Auckland' } : store)),
};
const now = parseMoment('2027-03-01T12:00', compiled(SMALL).clockOf(SMALL.stores[0]!))!;

/** "store item day was will", by the rule itself. */
function byTheRule(before: CompiledPlan, after: CompiledPlan): string[] {
  return before.plan.stores.flatMap((store) => {
    const clock = before.clockOf(store);
    const today = Math.floor(clock.toWall(now) / DAY);
    return Array.from({ length: 28 }, (_, i) => dayNumber(today + i)).flatMap((day) => {
      const at = clock.toInstant(wallTime(midnight(day) + DAY / 2));
      return before.catalogue.items.flatMap(({ sku }, item) => {
        const [was, will] = [before, after].map((plan) => {
          const answer = priceAt(plan, { store: store.id, sku, at, shopper: GUEST });
          return answer.kind === 'price' ? answer.price : NO_PRICE;
        });
        return was === will ? [] : [`${store.id} ${item} ${day} ${was} ${will}`];
      });
    });
  });
}

describe('the prices of the weeks ahead under two plans', () => {
  it('differ where the rule says so, in every time zone', () => {
    const plans = [SPREAD, { ...SPREAD, promotions: [FIRST, { ...OTHER, priority: 1 }] }] as const;
    const [before, after] = plans.map((plan) => compiled(plan as never)) as [CompiledPlan, CompiledPlan];
    const seen: string[] = [];
    pricesAhead(before, after, now, ({ store, item, day, was, will }) =>
      seen.push(`${store.id} ${item} ${day} ${was} ${will}`),
    );
    const wanted = byTheRule(before, after);
    expect(wanted.length).toBeGreaterThan(4);
    expect(seen.toSorted()).toEqual(wanted.toSorted());
  });

  it('are the same where the plans are', () => {
    const plan = compiled(SPREAD as never);
    pricesAhead(plan, plan, now, (other) => expect(other).toBe('none'));
  });
});
