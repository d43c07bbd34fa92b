import { describe, expect, it } from 'vitest';
import { seeded } from '../../../demo/seeded.ts';
import { oddChain } from '../../../tests/plans/odd-chain.ts';
import { ofGroups } from '../../../tests/plans/small-plan.ts';
import { DAY, type Instant } from '../calendar/index.ts';
import { type PlanDocument, readPlan, readPromotion } from '../plan/index.ts';
import { GUEST, type PriceAnswer, type Shopper } from '../tag-price/index.ts';
import { apply, book, type CompiledPlan, compile, eachRow, NO_PRICE, priceAt, timelines } from './index.ts';

const TODAY = '2027-03-01';
/** More than a tile of goods, so that rows are painted in several; few stores, so that it is soon done. */
const SIZE = { stores: 9, zones: 3, groups: 5, items: 9_000, priceChanges: 160 };
const ODD = { size: SIZE, today: TODAY };
const CELLS = 1_500;
/** Who pays the regular price, and who has a price list and promotions of their own. */
const GUEST_AND_MEMBER: readonly Shopper[] = [GUEST, ofGroups('members')];

const priceOf = (answer: PriceAnswer): number => (answer.kind === 'price' ? answer.price : NO_PRICE);
const winnerOf = (answer: PriceAnswer): string | null =>
  answer.kind === 'price' ? (answer.winner?.promotion ?? null) : null;
const storesOf = ({ stores }: PlanDocument) => stores.map(({ id }) => id);

const momentsOf = (seed: number): Instant[] => {
  const random = seeded(seed + 100);
  return Array.from(
    { length: 2 },
    () => (Date.parse(`${TODAY}T19:00Z`) + random.between(-150, 150) * DAY) as Instant,
  );
};

function expectSame(
  compiled: CompiledPlan,
  stores: readonly string[],
  at: Instant,
  shopper: Shopper,
  seed: number,
) {
  const random = seeded(seed);
  const { prices, regular, winners } = book(compiled, at, stores, undefined, shopper);
  const { items } = compiled.catalogue;
  for (let i = 0; i < CELLS; i++) {
    const row = random.between(0, stores.length - 1);
    const column = random.between(0, items.length - 1);
    const question = { sku: items[column]!.sku, store: stores[row]!, at, shopper };
    const answer = priceAt(compiled, question);
    const cell = row * items.length + column;
    const found = [prices[cell], compiled.changes[winners[cell]!]?.promotion.id ?? null, regular[cell]];
    const wanted = [
      priceOf(answer),
      winnerOf(answer),
      answer.kind === 'price' ? answer.regular.price : NO_PRICE,
    ];
    expect(found, JSON.stringify(question)).toEqual(wanted);
  }
}

describe('a crowded chain', () => {
  it.each([
    [1, 'priority', false],
    [2, 'lowest', false],
    [3, 'priority', true],
  ] as const)(
    'number %i by %s has the same prices in the book as by the explained rule',
    (seed, policy, dear) => {
      const document = oddChain({ ...ODD, dear }, policy, seed);
      const compiled = compile(readPlan(document));
      expect(compiled.grounds.wide).toBe(dear);
      for (const at of momentsOf(seed))
        for (const shopper of GUEST_AND_MEMBER) expectSame(compiled, storesOf(document), at, shopper, seed);
    },
  );

  it('has the same prices after an edit as if it had been read anew, and in the part of the row that was asked for', () => {
    const document = oddChain(ODD, 'priority', 4);
    const before = compile(readPlan(document));
    const [at] = momentsOf(4) as [Instant];
    const stores = storesOf(document);
    book(before, at, stores);
    const put = {
      ...document.promotions.find(({ offer }) => offer.kind === 'priceChange' && !offer.onTop)!,
      priority: 1,
      where: { all: true } as const,
      when: { from: '2026-01-01T00:00' },
    };
    const promotion = readPromotion(put, before.plan.currency);
    const { compiled: after } = apply(before, { kind: 'put-promotion', promotion });
    const anew = compile(
      readPlan({
        ...document,
        promotions: document.promotions.map((one) => (one.id === put.id ? put : one)),
      }),
    );
    const wanted = book(anew, at, stores);
    expect(book(after, at, stores)).toEqual(wanted);
    const { indexAt } = after.grounds.order;
    const windows = [
      { from: 100, to: 900 },
      { from: 8_000, to: 8_400 },
    ];
    eachRow(
      after,
      { at, shopper: GUEST },
      stores,
      (row, number) => {
        for (const { from, to } of windows)
          for (let position = from; position < to; position++)
            expect(row.prices[position]).toBe(wanted.prices[number * indexAt.length + indexAt[position]!]);
      },
      windows,
    );
  });

  it('has timelines at all its stores that are right at their first and last moments and in between', () => {
    const document = oddChain(ODD, 'priority', 5);
    const compiled = compile(readPlan(document));
    const random = seeded(5);
    const [from] = momentsOf(5) as [Instant];
    const to = (from + 120 * DAY) as Instant;
    const stores = storesOf(document);
    for (const shopper of GUEST_AND_MEMBER)
      for (let i = 0; i < 6; i++) {
        const { sku } = random.pick(document.items);
        timelines(compiled, { sku, shopper }, stores, { from, to }).forEach((steps, number) => {
          expect([steps[0]!.from, steps.at(-1)!.to]).toEqual([from, to]);
          steps.forEach((step, k) => {
            if (k > 0) expect(step.from).toBe(steps[k - 1]!.to);
            for (const at of [step.from, Math.floor((step.from + step.to) / 2), step.to - 1]) {
              const answer = priceAt(compiled, { sku, store: stores[number]!, shopper, at: at as Instant });
              expect(priceOf(answer)).toBe(step.price ?? NO_PRICE);
              expect(winnerOf(answer)).toBe(step.promotion);
              if (answer.kind === 'price' && at === step.from)
                expect(answer.onTop.map(({ promotion }) => promotion)).toEqual(step.onTop);
            }
          });
        });
      }
  });
});
