import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { generatedBasket } from '../../../tests/oracle/generated-baskets.ts';
import { basketOf, basketPlan, offer, ring } from '../../../tests/plans/basket-plan.ts';
import type { ReceiptDocument } from './index.ts';

const cents = (text: string): number => Math.round(Number(text) * 100);

/** Forty different items, from 1.00 up. */
const FORTY: Readonly<Record<string, string>> = Object.fromEntries(
  Array.from({ length: 40 }, (_, i) => [`i${i}`, ((100 + 17 * i) / 100).toFixed(2)]),
);
const ONE_EACH = Object.fromEntries(Object.keys(FORTY).map((sku) => [sku, 1]));
const ALL = { all: true } as const;

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

  it.each([
    [3, '10.00', 13],
    [4, '13.00', 10],
  ])('%i different ones for %s less in all, though some cost less together', (take, amountOff, times) => {
    const plan = basketPlan(FORTY, [
      offer('off', { kind: 'mixAndMatch', items: ALL, take, value: { amountOff } }),
    ]);
    const receipt = ring(plan, basketOf(ONE_EACH));
    expect(receipt.proved).toBe(true);
    expect(cents(receipt.saving)).toBe(times * cents(amountOff));
    expect(receipt.applications).toMatchObject([{ promotion: 'off', times }]);
  });

  it('two different ones for less than some pairs cost: the dearest with the cheapest, told how sure that is', () => {
    const plan = basketPlan(FORTY, [
      offer('off', { kind: 'mixAndMatch', items: ALL, take: 2, value: { amountOff: '8.00' } }),
    ]);
    const receipt = ring(plan, basketOf(ONE_EACH));
    // 1.00 with 7.63, 1.17 with 7.46 …: every pair costs 8.63 and can bear the whole.
    expect(cents(receipt.saving)).toBe(20 * 800);
    expect(receipt.proved).toBe(true);
    const { tags, paid, units } = usedIn(receipt);
    expect([units, tags - paid]).toEqual([40, 16_000]);
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
  expect(cents(receipt.saving)).toBe(1_000 * 12 + 800);
  expect(receipt.proved).toBe(true);
});
