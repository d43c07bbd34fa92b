import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { priceChanges, wallTimes } from '../../../tests/plans/generated.ts';
import { compiled, ofGroups, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { DAY, type Instant, parseMoment } from '../calendar/index.ts';
import { readPromotion } from '../plan/index.ts';
import { storePlan } from '../price-file/index.ts';
import { GUEST, type PriceAnswer, type Shopper } from '../tag-price/index.ts';
import { apply, book, type CompiledPlan, NO_PRICE, priceAt, timeline } from './index.ts';

const SKUS = SMALL.items.map(({ sku }) => sku);
const shoppers = fc.constantFrom<Shopper>(GUEST, ofGroups('members'), ofGroups('staff', 'students'));
const stores = fc.constantFrom('east', 'west');
const skus = fc.constantFrom(...SKUS);

const momentIn = (plan: CompiledPlan, store: string, text: string): Instant =>
  parseMoment(text, plan.clockOf(plan.stores.get(store)!))!;
const priceOf = (answer: PriceAnswer): number => (answer.kind === 'price' ? answer.price : NO_PRICE);
const winnerOf = (answer: PriceAnswer): string | null =>
  answer.kind === 'price' ? (answer.winner?.promotion ?? null) : null;

describe('whatever the price changes are', () => {
  it('the answer is the same in whatever order the plan lists them', () => {
    fc.assert(
      fc.property(
        priceChanges.chain((all) =>
          fc.tuple(
            fc.constant(all),
            fc.shuffledSubarray(all, { minLength: all.length, maxLength: all.length }),
          ),
        ),
        stores,
        wallTimes,
        shoppers,
        ([all, turned], store, text, shopper) => {
          const plan = compiled(withPromotions(...all));
          const other = compiled(withPromotions(...turned));
          for (const sku of SKUS) {
            const question = { sku, store, at: momentIn(plan, store, text), shopper };
            expect(priceAt(other, question)).toEqual(priceAt(plan, question));
          }
        },
      ),
    );
  });

  it('no price is below zero, and none is above the base unless one that may raise sets it', () => {
    fc.assert(
      fc.property(priceChanges, stores, skus, wallTimes, shoppers, (all, store, sku, text, shopper) => {
        const plan = compiled(withPromotions(...all));
        const answer = priceAt(plan, { sku, store, at: momentIn(plan, store, text), shopper });
        if (answer.kind === 'problem') return;
        expect(answer.price).toBeGreaterThanOrEqual(0);
        const winner = all.find(({ id }) => id === answer.winner?.promotion);
        const raises = winner?.offer.kind === 'priceChange' && winner.offer.mayRaise;
        if (!raises) expect(answer.price).toBeLessThanOrEqual(answer.base.price);
      }),
      { numRuns: 300 },
    );
  });

  it('every change that selects the item either sets the price, comes on top, or is told to have lost', () => {
    fc.assert(
      fc.property(priceChanges, stores, skus, wallTimes, (all, store, sku, text) => {
        const plan = compiled(withPromotions(...all));
        const index = plan.catalogue.indexOf.get(sku)!;
        const answer = priceAt(plan, { sku, store, at: momentIn(plan, store, text), shopper: GUEST });
        if (answer.kind === 'problem') return;
        const told = [
          ...(answer.winner ? [answer.winner.promotion] : []),
          ...answer.onTop.map(({ promotion }) => promotion),
          ...answer.lost.map(({ promotion }) => promotion),
        ].sort();
        const concerning = plan.changes
          .filter((change) => change.selection().has(index, answer.regular.price))
          .map(({ promotion }) => promotion.id);
        expect(told).toEqual(concerning.sort());
      }),
      { numRuns: 300 },
    );
  });

  it('the book says what the explained rule says', () => {
    fc.assert(
      fc.property(priceChanges, wallTimes, shoppers, (all, text, shopper) => {
        const plan = compiled(withPromotions(...all));
        const at = momentIn(plan, 'east', text);
        const { prices, winners } = book(plan, at, ['east', 'west'], undefined, shopper);
        ['east', 'west'].forEach((store, row) => {
          SKUS.forEach((sku, column) => {
            const answer = priceAt(plan, { sku, store, at, shopper });
            const cell = row * SKUS.length + column;
            expect(prices[cell]).toBe(priceOf(answer));
            expect(plan.changes[winners[cell]!]?.promotion.id ?? null).toBe(winnerOf(answer));
          });
        });
      }),
      { numRuns: 200 },
    );
  });

  it('the timeline has no gap, is as coarse as can be, and each step holds from its first to its last moment', () => {
    fc.assert(
      fc.property(
        priceChanges,
        stores,
        skus,
        wallTimes,
        fc.integer({ min: 1, max: 40 }),
        shoppers,
        (all, store, sku, text, days, shopper) => {
          const plan = compiled(withPromotions(...all));
          const from = momentIn(plan, store, text);
          const to = (from + days * DAY) as Instant;
          const steps = timeline(plan, { sku, store, shopper }, { from, to });
          expect(steps[0]!.from).toBe(from);
          expect(steps.at(-1)!.to).toBe(to);
          steps.forEach((step, i) => {
            const before = steps[i - 1];
            if (before) {
              expect(step.from).toBe(before.to);
              expect([step.price, step.promotion]).not.toEqual([before.price, before.promotion]);
            }
            for (const at of [step.from, Math.floor((step.from + step.to) / 2), step.to - 1]) {
              const answer = priceAt(plan, { sku, store, shopper, at: at as Instant });
              expect(priceOf(answer)).toBe(step.price ?? NO_PRICE);
              expect(winnerOf(answer)).toBe(step.promotion);
            }
          });
        },
      ),
      { numRuns: 200 },
    );
  });

  it('one change applied to a plan is the plan compiled anew, and touches every cell that differs', () => {
    fc.assert(
      fc.property(priceChanges, priceChanges, wallTimes, (all, others, text) => {
        const before = compiled(withPromotions(...all));
        const put = { ...others[0]!, id: all.at(-1)!.id };
        const document = withPromotions(...all.slice(0, -1), put);
        const promotion = readPromotion(put, before.plan.currency);
        const { compiled: after, touched } = apply(before, { kind: 'put-promotion', promotion });
        const at = momentIn(before, 'east', text);
        const now = book(after, at, ['east', 'west']);
        expect(now).toEqual(book(compiled(document), at, ['east', 'west']));
        const then = book(before, at, ['east', 'west']);
        now.prices.forEach((price, cell) => {
          if (price === then.prices[cell]) return;
          expect(touched.stores).toContain(['east', 'west'][Math.floor(cell / SKUS.length)]);
          expect(touched.items).toContain(cell % SKUS.length);
        });
      }),
      { numRuns: 200 },
    );
  });

  it('a promotion that is dropped is as if it had never been', () => {
    fc.assert(
      fc.property(priceChanges, wallTimes, (all, text) => {
        const [gone, ...rest] = all;
        const { compiled: after } = apply(compiled(withPromotions(...all)), {
          kind: 'drop-promotion',
          id: gone!.id,
        });
        const at = momentIn(after, 'east', text);
        expect(book(after, at, ['east', 'west'])).toEqual(
          book(compiled(withPromotions(...rest)), at, ['east', 'west']),
        );
      }),
    );
  });

  it('a store’s price file prices every item as the whole plan does, from when it is made on', () => {
    fc.assert(
      fc.property(
        priceChanges,
        stores,
        wallTimes,
        fc.integer({ min: 0, max: 60 }),
        shoppers,
        (all, store, text, days, shopper) => {
          const document = withPromotions(...all);
          const plan = compiled(document);
          const made = momentIn(plan, store, text);
          const own = compiled(storePlan(document, plan, store, made));
          const at = (made + days * DAY) as Instant;
          for (const sku of SKUS) {
            const whole = priceAt(plan, { sku, store, at, shopper });
            expect(priceOf(priceAt(own, { sku, store, at, shopper })), sku).toBe(priceOf(whole));
            if (whole.kind === 'price')
              expect(winnerOf(priceAt(own, { sku, store, at, shopper }))).toBe(winnerOf(whole));
          }
        },
      ),
      { numRuns: 200 },
    );
  });
});
