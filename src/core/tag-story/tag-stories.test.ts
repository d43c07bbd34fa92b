import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { priceChanges } from '../../../tests/plans/generated.ts';
import { oddChain } from '../../../tests/plans/odd-chain.ts';
import { change, compiled, ofGroups, withPromotions } from '../../../tests/plans/small-plan.ts';
import { DAY, type Instant, type Span, spansWithin } from '../calendar/index.ts';
import { readPlan, type StoreDocument } from '../plan/index.ts';
import { type CompiledPlan, compile, NO_PRICE, type PriceStep, timelines } from '../price-book/index.ts';
import { GUEST, isFor, type Shopper } from '../tag-price/index.ts';
import { endOf, type StoryPlace, stepAt, type TagStory, tagStories } from './index.ts';

const FROM = Date.parse('2027-02-15T00:00Z') as Instant;
const SPRING: Span = { from: FROM, to: (FROM + 150 * DAY) as Instant };

/** Stores where goods cost the same and are carried alike; those that prices of a change name stand alone. */
function placesOf({ plan, assortmentOf, changes }: CompiledPlan): StoryPlace[] {
  const named = (id: string) => changes.some(({ promotion }) => promotion.offer.linePrices.stores.has(id));
  const alike = (a: StoreDocument, b: StoreDocument) =>
    a.timeZone === b.timeZone && a.zone === b.zone && assortmentOf(a.id) === assortmentOf(b.id);
  const places: { store: StoreDocument; stores: string[] }[] = [];
  for (const store of plan.stores) {
    const found = places.find((place) => alike(place.store, store) && !named(place.store.id));
    if (found && !named(store.id)) found.stores.push(store.id);
    else places.push({ store, stores: [store.id] });
  }
  return places;
}

function* storiesOf(plan: CompiledPlan, shopper: Shopper, span: Span, goods: readonly number[]) {
  const changes = plan.changes.filter(({ promotion: { status, who, codes, channels, terminals } }) => {
    if (status !== 'approved' || codes.length > 0 || terminals) return false;
    return isFor(who, shopper) && (channels?.includes('till') ?? true);
  });
  for (const place of placesOf(plan)) {
    const clock = plan.clockOf(place.store);
    yield* tagStories(plan, {
      ...{ span, place, shopper, changes, goods: Int32Array.from(goods) },
      countsAt: ({ stores }, store) => stores().has(store),
      spansOf: ({ promotion }) => spansWithin(promotion.when, clock, span),
    });
  }
}

type Told = Pick<PriceStep, 'price' | 'promotion' | 'from' | 'to'>;

/** The steps of a good as its timeline tells them: only another price, or another promotion, is another step. */
function toldOf(story: TagStory, good: number): Told[] {
  const steps: { -readonly [K in keyof Told]: Told[K] }[] = [];
  for (let step = story.starts[good]!; step < story.starts[good + 1]!; step++) {
    const amount = story.prices[step]!;
    const price = (amount === NO_PRICE ? null : amount) as Told['price'];
    const promotion = story.changes[story.winners[step]!]?.promotion.id ?? null;
    const to = endOf(story, good, step) as Instant;
    const last = steps.at(-1);
    if (last && last.price === price && last.promotion === promotion) last.to = to;
    else steps.push({ from: story.since[step]! as Instant, to, price, promotion });
  }
  return steps;
}

/** Every good in every store, but for what has a price of the store's own. */
function compareAll(plan: CompiledPlan, shopper: Shopper, span: Span, goods: readonly number[]): number {
  let compared = 0;
  for (const { stores, story } of storiesOf(plan, shopper, span, goods))
    goods.forEach((index, good) => {
      const { sku, prices } = plan.catalogue.items[index]!;
      const here = stores.filter((id) => !prices.stores.has(id));
      const wanted = timelines(plan, { sku, shopper }, here, span);
      const told = toldOf(story, good);
      here.forEach((store, i) => {
        const steps = wanted[i]!.map(({ from, to, price, promotion }) => ({ from, to, price, promotion }));
        expect(told, `${sku} in ${store}`).toEqual(steps);
        compared += 1;
      });
    });
  return compared;
}

describe('the story of tag prices', () => {
  it('has the steps that every item’s timeline has, whatever the price changes are', () => {
    fc.assert(
      fc.property(priceChanges, fc.boolean(), (all, member) => {
        const plan = compiled(withPromotions(...all));
        const goods = plan.catalogue.items.map((_, index) => index);
        compareAll(plan, member ? ofGroups('members') : GUEST, SPRING, goods);
      }),
      { numRuns: 60 },
    );
  });

  it.each(['priority', 'lowest'] as const)(
    'has them in a crowded chain with odd prices and line prices, by %s',
    (policy) => {
      const size = { stores: 9, zones: 3, groups: 5, items: 400, priceChanges: 90 };
      const document = oddChain({ size, today: '2027-03-01' }, policy, 3);
      const plan = compile(readPlan(document));
      const goods = plan.catalogue.items.map((_, index) => index).filter((index) => index % 5 === 0);
      for (const shopper of [GUEST, ofGroups('members')])
        expect(compareAll(plan, shopper, SPRING, goods)).toBeGreaterThan(300);
    },
  );

  it('is told once for stores in which the same changes count', () => {
    const everywhere = compiled(withPromotions(change('a'), change('b', { where: { all: true } })));
    const goods = everywhere.catalogue.items.map((_, index) => index);
    const groups = [...storiesOf(everywhere, GUEST, SPRING, goods)].map(({ stores }) => stores);
    expect(groups.flat().toSorted()).toEqual(everywhere.plan.stores.map(({ id }) => id).toSorted());
    expect(groups.length).toBe(placesOf(everywhere).length);
    const [first] = everywhere.plan.stores;
    const apart = compiled(withPromotions(change('a', { where: { stores: [first!.id] } })));
    const split = [...storiesOf(apart, GUEST, SPRING, goods)].find(({ stores }) =>
      stores.includes(first!.id),
    )!;
    expect(split.stores).toEqual([first!.id]);
  });

  it('knows the step of a moment, and of none before it begins or once it is over', () => {
    const plan = compiled(withPromotions(change('a')));
    const goods = [plan.catalogue.indexOf.get('spray')!];
    const { story } = [...storiesOf(plan, GUEST, SPRING, goods)][0]!;
    for (let step = 0; step < story.starts[1]!; step++) {
      expect(stepAt(story, 0, story.since[step]!)).toBe(step);
      expect(stepAt(story, 0, endOf(story, 0, step) - 1)).toBe(step);
    }
    expect([stepAt(story, 0, SPRING.from - 1), stepAt(story, 0, SPRING.to)]).toEqual([-1, -1]);
  });

  it('of no goods, or of no changes, is nothing or the bare prices', () => {
    const plan = compiled(withPromotions());
    const goods = plan.catalogue.items.map((_, index) => index);
    expect([...storiesOf(plan, GUEST, SPRING, [])].every(({ story }) => story.since.length === 0)).toBe(true);
    for (const { story } of storiesOf(plan, GUEST, SPRING, goods))
      expect(story.winners.every((winner) => winner === -1)).toBe(true);
  });
});
