import { describe, expect, it } from 'vitest';
import { seeded } from '../../../demo/seeded.ts';
import { crowdedChain } from '../../../tests/plans/crowded-chain.ts';
import { ofGroups } from '../../../tests/plans/small-plan.ts';
import { DAY, HOUR, type Instant } from '../calendar/index.ts';
import { type PlanDocument, readPlan, readPromotion } from '../plan/index.ts';
import { apply, type CompiledPlan, compile, priceAt } from '../price-book/index.ts';
import { GUEST, type Shopper } from '../tag-price/index.ts';
import { cellsOf, type GridSides, gridOf, type Side, sideOf, sideOfPlans, sideOfStore } from './index.ts';

const TODAY = '2027-03-01';
const NOW = Date.parse(`${TODAY}T12:00Z`) as Instant;
const SIZE = { stores: 16, zones: 3, groups: 4, items: 320, priceChanges: 60 };
const later = (days: number): Instant => (NOW + days * DAY) as Instant;

/** Two stores with some prices of their own: one with a few, one with many. */
function document(seed: number): PlanDocument {
  const plan = crowdedChain(SIZE, TODAY, seed);
  const [first, second] = plan.stores;
  const items = plan.items.map((item, i) => ({
    ...item,
    prices: [
      ...item.prices.filter(({ store }) => store === undefined),
      ...(item.prices.length > 0 && i % 9 === 0 ? [{ store: first!.id, price: '3.33' }] : []),
      ...(item.prices.length > 0 && i % 200 === 7 ? [{ store: second!.id, price: '2.22' }] : []),
    ],
  }));
  return { ...plan, items };
}

/** What the explained rule says of a cell. */
type Ask = (sku: string, store: string) => { price: number | null; promotion: string | null } | null;

const asked =
  (compiled: CompiledPlan, at: Instant, shopper: Shopper = GUEST): Ask =>
  (sku, store) => {
    const answer = priceAt(compiled, { sku, store, at, shopper });
    return answer.kind === 'price'
      ? { price: answer.price, promotion: answer.winner?.promotion ?? null }
      : { price: null, promotion: null };
  };

const allGoods = (compiled: CompiledPlan) => Int32Array.from(compiled.catalogue.items, (_, i) => i);

/** Lays the grid out and holds every cell of it, and all that it leaves out, against the explained rule. */
function expectRight(
  compiled: CompiledPlan,
  sides: GridSides,
  rule: { now: Ask; was: Ask | null },
  onlyChanged = false,
) {
  const stores = compiled.plan.stores.map(({ id }) => id);
  const goods = allGoods(compiled);
  const grid = gridOf({ ...sides, goods, stores, onlyChanged });
  const skuAt = (position: number) =>
    compiled.catalogue.items[compiled.grounds.order.indexAt[position]!]!.sku;
  expect(grid.columns.flatMap((column) => column.stores).sort()).toEqual([...stores].sort());
  const cells = cellsOf(sides, grid.goods, grid.columns);
  grid.columns.forEach(({ stores: same }, c) => {
    same.forEach((store, number) =>
      grid.goods.forEach((position, r) => {
        const now = rule.now(skuAt(position), store)!;
        const was = rule.was?.(skuAt(position), store) ?? null;
        const found = cells[c]![r]!.filter(({ stores: of }) => of.includes(number));
        // What made the same price is of no account.
        const before = was?.price === now.price ? { price: now.price, promotion: null } : was;
        const isSold = now.price !== null || (was !== null && was.price !== null);
        const told = found.map(({ stores: _, ...price }) => price);
        expect(told, `${skuAt(position)} in ${store}`).toEqual(isSold ? [{ ...now, was: before }] : []);
      }),
    );
  });
  const differs = (sku: string) =>
    stores.some((store) => {
      const was = rule.was?.(sku, store) ?? null;
      return was !== null && was.price !== rule.now(sku, store)!.price;
    });
  const sold = (sku: string) =>
    stores.some(
      (store) => rule.now(sku, store)!.price !== null || (rule.was?.(sku, store)?.price ?? null) !== null,
    );
  const wanted = [...goods].filter((position) => (onlyChanged ? differs : sold)(skuAt(position)));
  expect([...grid.goods]).toEqual(wanted);
  expect(grid.changed).toBe([...goods].filter((position) => differs(skuAt(position))).length);
  return grid;
}

const at = (moment: Instant) => () => moment;
const of = (compiled: CompiledPlan, moment: Instant, shopper: Shopper = GUEST): Side =>
  sideOf(compiled, { at: at(moment), shopper });

describe('a grid of goods by stores', () => {
  it.each([1, 2, 3])('has the prices of the rule in every cell, in chain %i', (seed) => {
    const compiled = compile(readPlan(document(seed)));
    const grid = expectRight(
      compiled,
      { now: of(compiled, later(seed * 9)), was: null },
      { now: asked(compiled, later(seed * 9)), was: null },
    );
    expect(grid.columns.length).toBeLessThan(SIZE.stores);
    expect(grid.columns.length).toBeGreaterThan(2);
  });

  it.each([
    ['all of it', false],
    ['only what changed', true],
  ])('is held against another date, %s', (_, onlyChanged) => {
    const compiled = compile(readPlan(document(4)));
    expectRight(
      compiled,
      { now: of(compiled, later(7)), was: of(compiled, NOW) },
      { now: asked(compiled, later(7)), was: asked(compiled, NOW) },
      onlyChanged,
    );
  });

  it('is held against another kind of shopper, and against one store', () => {
    const compiled = compile(readPlan(document(5)));
    const [{ id: store }] = compiled.plan.stores as unknown as [{ id: string }];
    const members = ofGroups('members');
    expectRight(
      compiled,
      { now: of(compiled, NOW, members), was: of(compiled, NOW) },
      { now: asked(compiled, NOW, members), was: asked(compiled, NOW) },
      true,
    );
    expectRight(
      compiled,
      { now: of(compiled, NOW), was: sideOfStore(of(compiled, NOW), store) },
      { now: asked(compiled, NOW), was: (sku) => asked(compiled, NOW)(sku, store) },
      true,
    );
  });

  it('is held against the plan without an edit', () => {
    const before = compile(readPlan(document(6)));
    const first = document(6).promotions.find(({ offer }) => offer.kind === 'priceChange' && !offer.onTop)!;
    const edited = {
      ...first,
      priority: 1,
      where: { all: true } as const,
      when: { from: '2027-02-01T00:00' },
    };
    const promotion = readPromotion(edited, before.plan.currency);
    const { compiled: after } = apply(before, { kind: 'put-promotion', promotion });
    expectRight(
      after,
      { now: of(after, NOW), was: of(before, NOW) },
      { now: asked(after, NOW), was: asked(before, NOW) },
      true,
    );
  });

  it('is held against plans that differ by store, with other goods in another order, and one store without', () => {
    const plan = document(7);
    const compiled = compile(readPlan(plan));
    const random = seeded(7);
    const held = new Map(
      plan.stores.slice(1).map(({ id }) => {
        const items = plan.items.filter(() => random.chance(0.8)).reverse();
        const known = new Set(items.map(({ sku }) => sku));
        const own = {
          ...plan,
          items: items.filter(({ parent }) => parent === undefined || known.has(parent)),
          promotions: plan.promotions.filter(() => random.chance(0.7)),
        };
        return [id, compile(readPlan(own))] as const;
      }),
    );
    const planOf = (store: string) => held.get(store) ?? null;
    expectRight(
      compiled,
      {
        now: of(compiled, NOW),
        was: sideOfPlans(compiled, of(compiled, NOW), planOf, { at: at(NOW), shopper: GUEST }),
      },
      {
        now: asked(compiled, NOW),
        was: (sku, store) => {
          const there = planOf(store);
          return there && asked(there, NOW)(sku, store);
        },
      },
    );
  });

  it('takes the same hour of each store’s own clock', () => {
    const compiled = compile(readPlan(document(8)));
    const zones = [...new Set(compiled.plan.stores.map(({ timeZone }) => timeZone))];
    expect(zones.length).toBe(2);
    const moment = ({ timeZone }: { timeZone: string }) =>
      (timeZone === zones[0] ? NOW : NOW + 60 * HOUR) as Instant;
    const rule: Ask = (sku, store) => asked(compiled, moment(compiled.stores.get(store)!))(sku, store);
    expectRight(
      compiled,
      { now: sideOf(compiled, { at: moment, shopper: GUEST }), was: null },
      { now: rule, was: null },
    );
  });

  it('has nothing to show where nothing is asked for, or nothing is sold', () => {
    const compiled = compile(
      readPlan({
        ...document(9),
        ranges: [{ id: 'none', name: 'None', stores: { all: true }, items: { items: [] } }],
      }),
    );
    const stores = compiled.plan.stores.map(({ id }) => id);
    const sides = { now: of(compiled, NOW), was: null };
    const nothing = gridOf({ ...sides, goods: allGoods(compiled), stores, onlyChanged: false });
    expect([nothing.goods.length, nothing.columns.length]).toEqual([0, 1]);
    expect(gridOf({ ...sides, goods: new Int32Array(), stores: [], onlyChanged: false }).columns).toEqual([]);
    expect(cellsOf(sides, allGoods(compiled).slice(0, 1), [{ stores: ['nowhere'] }])).toEqual([[[]]]);
  });

  it('puts stores into one column that have the same prices for what both carry', () => {
    const plan = document(10);
    const [first, second, ...others] = plan.stores.slice(2).map(({ id, ...rest }) => ({ ...rest, id }));
    const { zone, timeZone } = first!;
    const twins = { ...plan, stores: [first!, { ...second!, zone: zone!, timeZone }, ...others.slice(0, 1)] };
    const carriedBy = (store: string, part: number) => ({
      id: `range-${store}`,
      name: store,
      stores: { stores: [store] },
      items: { items: plan.items.filter((_, i) => i % 3 !== part).map(({ sku }) => sku) },
    });
    const promotions = plan.promotions.map((promotion) => ({ ...promotion, where: { all: true } as const }));
    const compiled = compile(
      readPlan({
        ...twins,
        storeGroups: [],
        promotions,
        ranges: [carriedBy(first!.id, 0), carriedBy(second!.id, 1), carriedBy(others[0]!.id, 2)],
      }),
    );
    const grid = expectRight(
      compiled,
      { now: of(compiled, NOW), was: of(compiled, later(-20)) },
      { now: asked(compiled, NOW), was: asked(compiled, later(-20)) },
    );
    expect(grid.columns[0]!.stores).toEqual([first!.id, second!.id]);
  });

  it('of more prices than are looked at at once shows what is asked for, in columns of one kind', () => {
    const compiled = compile(readPlan(document(11)));
    const stores = compiled.plan.stores.map(({ id }) => id);
    const sides = { now: of(compiled, NOW), was: of(compiled, later(-7)) };
    const goods = allGoods(compiled);
    const { changed, ...quick } = gridOf({ ...sides, goods, stores, onlyChanged: false, most: 0 });
    expect([changed, [...quick.goods]]).toEqual([null, [...goods]]);
    expect(quick.columns.flatMap((column) => column.stores).sort()).toEqual([...stores].sort());
    const some = goods.filter((position) => position % 17 === 3);
    const cells = cellsOf(sides, some, quick.columns);
    const rule = asked(compiled, NOW);
    quick.columns.forEach((column, c) =>
      column.stores.forEach((store, number) =>
        some.forEach((position, r) => {
          const { sku } = compiled.catalogue.items[compiled.grounds.order.indexAt[position]!]!;
          const found = cells[c]![r]!.find((one) => one.stores.includes(number));
          expect(found?.price ?? null, `${sku} in ${store}`).toBe(rule(sku, store)!.price);
        }),
      ),
    );
    // What changed is looked for all the same where nothing else is wanted.
    const wanted = { ...sides, goods, stores, onlyChanged: true };
    expect(gridOf({ ...wanted, most: 0 })).toEqual(gridOf(wanted));
  });
});
