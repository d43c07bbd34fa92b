import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bruteForce } from '../../../tests/oracle/brute-force.ts';
import { familyOf, generatedBasket, unitOffer } from '../../../tests/oracle/generated-baskets.ts';
import { basketOf, offer, ring } from '../../../tests/plans/basket-plan.ts';
import type { PlanDocument, PromotionDocument } from '../plan/index.ts';
import type { ReceiptDocument } from './index.ts';

const cents = (text: string): number => Math.round(Number(text) * 100);
const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);
const with_ = (plan: PlanDocument, ...more: PromotionDocument[]): PlanDocument => ({
  ...plan,
  promotions: [...plan.promotions, ...more],
});

const reward = fc
  .record({
    measure: fc.constantFrom('after' as const, 'before' as const),
    threshold: fc.constantFrom('subtotal' as const, 'units' as const),
    percentOff: fc.integer({ min: 1, max: 10_000 }),
    amountOff: fc.option(
      fc.integer({ min: 1, max: 3_000 }).map((c) => (c / 100).toFixed(2)),
      { nil: undefined },
    ),
    maxDiscount: fc.option(
      fc.integer({ min: 1, max: 900 }).map((c) => (c / 100).toFixed(2)),
      { nil: undefined },
    ),
    combinesWith: fc.constantFrom('all' as const, 'none' as const, ['r0'], ['r1', 'r2']),
    skipDiscounted: fc.boolean(),
  })
  .map(({ percentOff, amountOff, maxDiscount, ...rest }) => ({
    kind: 'basketReward' as const,
    ...rest,
    tiers: [
      {
        atLeast: rest.threshold === 'units' ? 2 : '1.00',
        ...(amountOff === undefined ? { percentOff } : { amountOff }),
      },
    ],
    ...(maxDiscount === undefined ? {} : { maxDiscount }),
  }));
const rewards = fc
  .array(reward, { minLength: 3, maxLength: 3 })
  .map((all) => all.map((one, i) => offer(`r${i}`, one as never)));

const basket = generatedBasket({ units: 12, offers: 4 });
const RUNS = { numRuns: 150 };

function addsUp({
  lines,
  goods,
  total,
  saving,
  applications,
  rewards: given,
  delivery,
}: ReceiptDocument): void {
  for (const { net, tag, quantity, reductions } of lines) {
    expect(cents(net)).toBeGreaterThanOrEqual(0);
    expect(sum(reductions.map(({ amount }) => cents(amount)))).toBe(
      cents(tag) * Number(quantity) - cents(net),
    );
    for (const { promotion } of reductions) expect(promotion).not.toBe('');
  }
  expect(sum(lines.map(({ net }) => cents(net)))).toBe(cents(goods));
  expect(cents(goods) + cents(delivery?.net ?? '0')).toBe(cents(total));
  expect(
    sum([...applications.map((one) => cents(one.saving)), ...given.map((one) => cents(one.amount))]),
  ).toBe(cents(saving));
  expect(sum(lines.map(({ tag, quantity }) => cents(tag) * Number(quantity))) - cents(goods)).toBe(
    cents(saving),
  );
}

describe('a receipt', () => {
  it('adds up, whatever the offers and rewards, under both policies', () => {
    fc.assert(
      fc.property(basket, rewards, fc.boolean(), (made, more, best) => {
        const plan = {
          ...with_(made.plan, ...more),
          policy: { baskets: best ? ('best' as const) : ('priority' as const) },
        };
        addsUp(ring(plan, basketOf(made.lines)));
      }),
      RUNS,
    );
  });

  it('does not depend on the order of promotions', () => {
    fc.assert(
      fc.property(basket, rewards, (made, more) => {
        const plan = with_(made.plan, ...more);
        const turned = { ...plan, promotions: plan.promotions.toReversed() };
        expect(ring(turned, basketOf(made.lines))).toEqual(ring(plan, basketOf(made.lines)));
      }),
      RUNS,
    );
  });

  it('saves the same whatever the order of its lines', () => {
    fc.assert(
      fc.property(basket, (made) => {
        const [one, other] = [made.lines, made.lines.toReversed()].map((lines) =>
          ring(made.plan, basketOf(lines)),
        );
        expect([other!.saving, other!.total]).toEqual([one!.saving, one!.total]);
      }),
      RUNS,
    );
  });

  it('is the same for one line of several as for several lines of one', () => {
    fc.assert(
      fc.property(basket, rewards, (made, more) => {
        const plan = with_(made.plan, ...more);
        const sorted = made.lines.toSorted(([a], [b]) => (a < b ? -1 : 1));
        const counts = new Map<string, number>();
        for (const [sku] of sorted) counts.set(sku, (counts.get(sku) ?? 0) + 1);
        const [split, joined] = [sorted, [...counts]].map((lines) => ring(plan, basketOf(lines)));
        expect(joined!.total).toBe(split!.total);
        for (const [sku, count] of counts) {
          const nets = split!.lines
            .filter((line) => line.sku === sku && !line.gift)
            .map(({ net }) => cents(net));
          const line = joined!.lines.find((one) => one.sku === sku && !one.gift)!;
          expect([line.quantity, cents(line.net)]).toEqual([count, sum(nets)]);
        }
      }),
      RUNS,
    );
  });

  it('never saves less with a further offer, or with more in the basket', () => {
    fc.assert(
      fc.property(basket, unitOffer, (made, further) => {
        const before = cents(ring(made.plan, basketOf(made.lines)).saving);
        const plan = with_(made.plan, offer('further', further));
        expect(cents(ring(plan, basketOf(made.lines)).saving)).toBeGreaterThanOrEqual(before);
        const larger = [...made.lines, ['e', 1] as const];
        expect(cents(ring(made.plan, basketOf(larger)).saving)).toBeGreaterThanOrEqual(before);
      }),
      RUNS,
    );
  });
});

describe('policy priority', () => {
  it('lets each offer in turn take what is best for it from what is left', () => {
    fc.assert(
      fc.property(generatedBasket({ units: 7, offers: 3 }), (made) => {
        const plan = { ...made.plan, policy: { baskets: 'priority' as const } };
        const receipt = ring(plan, basketOf(made.lines));
        const free = made.lines.map(([sku], line) => ({
          sku,
          line,
          family: familyOf(sku),
          ...made.prices[sku]!,
        }));
        const turns = made.offers.toSorted(
          (a, b) => (a.priority ?? 100) - (b.priority ?? 100) || (a.id < b.id ? -1 : 1),
        );
        const expected = turns.flatMap((turn) => {
          const best = bruteForce(free, [turn], (sku) => made.prices[sku]!.tag);
          const lines = best.used.map((at) => free[at]!.line);
          for (const line of lines)
            free.splice(
              free.findIndex((unit) => unit.line === line),
              1,
            );
          return best.times === 0
            ? []
            : [{ promotion: turn.id, times: best.times, lines, saving: best.saving }];
        });
        const found = receipt.applications.map(({ promotion, times, units, saving }) => ({
          promotion,
          times,
          lines: units.map(({ line }) => line),
          saving: cents(saving),
        }));
        expect(found).toEqual(expected);
      }),
      RUNS,
    );
  });
});
