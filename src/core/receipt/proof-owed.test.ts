import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { generatedBasket, unitOffer } from '../../../tests/oracle/generated-baskets.ts';
import { basketOf, basketPlan, offer, ring } from '../../../tests/plans/basket-plan.ts';
import type { OfferDocument } from '../plan/index.ts';
import type { ReceiptDocument } from './index.ts';

const cents = (text: string): number => Math.round(Number(text) * 100);

/** Forty different items, from 1.00 up. */
const FORTY: Readonly<Record<string, string>> = Object.fromEntries(
  Array.from({ length: 40 }, (_, i) => [`i${i}`, ((100 + 17 * i) / 100).toFixed(2)]),
);
const ONE_EACH = Object.fromEntries(Object.keys(FORTY).map((sku) => [sku, 1]));
const ALL = { all: true } as const;

/** An offer on five items as one on forty: each of the five stands for every fifth. */
const overForty = (made: OfferDocument): OfferDocument =>
  JSON.parse(JSON.stringify(made), (key, value) => {
    if (key === 'extra') return undefined;
    if (key === 'gift') return 'i0';
    if (key !== 'items' || !Array.isArray(value)) return value;
    return Object.keys(FORTY).filter((_sku, i) => value.includes('abcde'[i % 5]));
  });

/** The most that bundles by falling price can take off, each at most what it costs: every unit used or left. */
function mostTaken(prices: readonly number[], take: number, amount: number): number {
  const falling = prices.toSorted((a, b) => b - a);
  const known = new Map<string, number>();
  const from = (at: number, fill: number, sum: number): number => {
    if (at === falling.length) return fill === 0 ? 0 : Number.NEGATIVE_INFINITY;
    const key = `${at} ${fill} ${sum}`;
    const found = known.get(key);
    if (found !== undefined) return found;
    const more = sum + falling[at]!;
    const used =
      fill + 1 === take ? Math.min(amount, more) + from(at + 1, 0, 0) : from(at + 1, fill + 1, more);
    const best = Math.max(used, from(at + 1, fill, sum));
    known.set(key, best);
    return best;
  };
  return from(0, 0, 0);
}

/** The units that offers used: what they cost, and what is paid for them. */
function usedIn({ lines }: ReceiptDocument): { tags: number; paid: number; units: number } {
  const used = lines.filter(({ reductions }) => reductions.length > 0);
  return {
    units: used.reduce((sum, { quantity }) => sum + Number(quantity), 0),
    tags: used.reduce((sum, { tag, quantity }) => sum + cents(tag) * Number(quantity), 0),
    paid: used.reduce((sum, { net }) => sum + cents(net), 0),
  };
}

describe('up to 40 units and 10 offers', () => {
  it('are proved, whatever the offers', { timeout: 120_000 }, () => {
    fc.assert(
      fc.property(generatedBasket({ units: 40, offers: 10 }), (made) => {
        expect(ring(made.plan, basketOf(made.lines)).proved).toBe(true);
      }),
      { numRuns: Number(process.env.BASKET_RUNS ?? 40), seed: 11 },
    );
  });

  it('are proved where some offers may use only so many units', { timeout: 120_000 }, () => {
    fc.assert(
      fc.property(generatedBasket({ units: 40, offers: 10, unitLimits: true }), (made) => {
        expect(ring(made.plan, basketOf(made.lines)).proved).toBe(true);
      }),
      { numRuns: Number(process.env.BASKET_RUNS ?? 30), seed: 13 },
    );
  });

  it('are proved of forty different goods, too', { timeout: 180_000 }, () => {
    fc.assert(
      fc.property(fc.array(unitOffer, { minLength: 10, maxLength: 10 }), (offers) => {
        const plan = basketPlan(
          FORTY,
          offers.map((one, i) => offer(`o${i}`, overForty(one))),
        );
        expect(ring(plan, basketOf(ONE_EACH)).proved).toBe(true);
      }),
      { numRuns: Number(process.env.BASKET_RUNS ?? 12), seed: 7 },
    );
  });

  it.each([
    [2, '8.00'],
    [3, '10.00'],
    [4, '13.00'],
    [5, '20.00'],
  ])('%i different ones for %s less in all, though some cost less together', (take, amountOff) => {
    const plan = basketPlan(FORTY, [
      offer('off', { kind: 'mixAndMatch', items: ALL, take, value: { amountOff } }),
    ]);
    const receipt = ring(plan, basketOf(ONE_EACH));
    expect(receipt.proved).toBe(true);
    expect(cents(receipt.saving)).toBe(mostTaken(Object.values(FORTY).map(cents), take, cents(amountOff)));
    const { tags, paid } = usedIn(receipt);
    expect(tags - paid).toBe(cents(receipt.saving));
  });

  it('eight such bundles over the same goods', { timeout: 60_000 }, () => {
    const bundles = Array.from({ length: 8 }, (_, i) =>
      offer(`b${i}`, {
        kind: 'mixAndMatch',
        items: { items: Object.keys(FORTY).filter((_sku, at) => at % 4 !== i % 4) },
        take: 2 + (i % 3),
        value: { amountOff: `${6 + i}.00` },
      }),
    );
    const receipt = ring(basketPlan(FORTY, bundles), basketOf(ONE_EACH));
    expect(receipt.proved).toBe(true);
    const { tags, paid } = usedIn(receipt);
    expect(tags - paid).toBe(cents(receipt.saving));
  });

  it('four four-slot combos over the same goods', { timeout: 60_000 }, () => {
    const slot = (from: number) => ({
      name: `from ${from}`,
      items: { items: Array.from({ length: 16 }, (_, i) => `i${(from + i) % 40}`) },
      quantity: 1,
    });
    const combos = [0, 3, 6, 9].map((shift) =>
      offer(`c${shift}`, {
        kind: 'combo',
        slots: [0, 10, 20, 30].map((from) => slot(from + shift)),
        value: { total: `${9 + shift / 3}.00` },
      }),
    );
    const receipt = ring(basketPlan(FORTY, combos), basketOf(ONE_EACH));
    expect(receipt.proved).toBe(true);
    expect(usedIn(receipt).units % 4).toBe(0);
  });
});

it('a bundle that is searched whole beside one that is not: the saving is that of the receipt', () => {
  const few = { items: ['i0', 'i1', 'i39'] };
  const plan = basketPlan(FORTY, [
    offer('few', { kind: 'mixAndMatch', items: few, take: 2, value: { amountOff: '8.00' } }),
    offer(
      'all',
      { kind: 'mixAndMatch', items: ALL, take: 3, value: { amountOff: '10.00' } },
      { limitPerBasket: 12 },
    ),
  ]);
  const receipt = ring(plan, basketOf(ONE_EACH));
  const { tags, paid } = usedIn(receipt);
  expect(cents(receipt.saving)).toBe(tags - paid);
  expect(receipt.proved).toBe(true);
});
