import fc from 'fast-check';
import { expect, test } from 'vitest';
import { basketOf, basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import type { OfferDocument, PromotionDocument } from '../plan/index.ts';
import { checkPlan, describeFault, readPlan } from '../plan/index.ts';
import { compile } from '../price-book/index.ts';
import { type BasketDocument, type Receipt, readBasket, ringBasket, wantedUses } from './index.ts';

const PRICES = { x: '10.00', y: '5.00', z: '2.00' };
const cut = (items: string[], percentOff = 1_000): OfferDocument => ({
  kind: 'priceChange',
  items: { items },
  formula: { percentOff },
});
const threeForTwo: OfferDocument = {
  kind: 'mixAndMatch',
  items: { items: ['x', 'y', 'z'] },
  take: 3,
  rewarded: 1,
  pick: 'cheapest',
  value: { percentOff: 10_000 },
};
const fromThree: OfferDocument = {
  kind: 'quantityBreak',
  items: { items: ['x', 'y'] },
  count: 'item',
  tiers: [{ atLeast: 3, percentOff: 1_000 }],
};

function rung(
  promotions: PromotionDocument[],
  lines: Record<string, number>,
  more: Partial<BasketDocument> = {},
) {
  const plan = basketPlan(PRICES, promotions, { shoppers: [{ id: 'ann' }, { id: 'ben' }] });
  const compiled = compile(readPlan(plan));
  const read = readBasket(basketOf(lines, more), compiled);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const receipt = ringBasket(compiled, read.basket);
  const wanted = wantedUses(receipt, read.basket, compiled);
  return { receipt, wanted: wanted.map(({ key, most, units }) => `${key} ${units ?? 'once'} of ${most}`) };
}

const linesOf = ({ lines }: Receipt) =>
  lines.map(({ sku, thousandths, tag, net }) => `${thousandths / 1_000} ${sku} at ${tag}: ${net}`);

const five = { uses: { unitsPerShopper: 5 } };

test.each<[string, PromotionDocument[], Record<string, number>, Partial<BasketDocument>, string[], string[]]>(
  [
    [
      'what is within the limit is one line',
      [offer('c', cut(['x']), five)],
      { x: 5 },
      { shopper: 'ann' },
      ['5 x at 900: 4500'],
      ['units:c@ann 5 of 5'],
    ],
    [
      'what is beyond costs what it would without',
      [offer('c', cut(['x']), five)],
      { x: 7, y: 1 },
      { shopper: 'ann' },
      ['5 x at 900: 4500', '2 x at 1000: 2000', '1 y at 500: 500'],
      ['units:c@ann 5 of 5'],
    ],
    [
      'what was had before counts, and only of the same shopper',
      [offer('c', cut(['x']), five)],
      { x: 4 },
      { shopper: 'ann', usesSoFar: { 'units:c@ann': 3, 'units:c@ben': 5 } },
      ['2 x at 900: 1800', '2 x at 1000: 2000'],
      ['units:c@ann 2 of 5'],
    ],
    [
      'nothing is left: it is not there',
      [offer('c', cut(['x']), five)],
      { x: 1 },
      { shopper: 'ann', usesSoFar: { 'units:c@ann': 5 } },
      ['1 x at 1000: 1000'],
      [],
    ],
    [
      'a guest is a shopper of this basket alone',
      [offer('c', cut(['x']), five)],
      { x: 6 },
      {},
      ['5 x at 900: 4500', '1 x at 1000: 1000'],
      [],
    ],
    [
      'units go where they take most, not where the basket begins',
      [offer('c', cut(['x', 'y', 'z']), { uses: { unitsInAll: 3 } })],
      { z: 1, y: 2, x: 2 },
      {},
      ['1 z at 200: 200', '1 y at 450: 450', '1 y at 500: 500', '2 x at 900: 1800'],
      ['units:c 3 of 3'],
    ],
    [
      'another price change has what is beyond',
      [
        offer('c', cut(['x'], 2_000), { priority: 1, uses: { unitsInAll: 1 } }),
        offer('d', cut(['x'], 1_000), { priority: 2, uses: { unitsInAll: 1 } }),
      ],
      { x: 3 },
      {},
      ['1 x at 800: 800', '1 x at 900: 900', '1 x at 1000: 1000'],
      ['units:c 1 of 1', 'units:d 1 of 1'],
    ],
    [
      'so many of one code, and of how many receipts beside',
      [offer('c', cut(['x']), { codes: ['LEAF-1'], uses: { perCode: 2, unitsPerCode: 4 } })],
      { x: 3 },
      { codes: ['leaf1'], usesSoFar: { 'code:LEAF-1': 1, 'units:code:leaf 1@c': 2 } },
      ['2 x at 900: 1800', '1 x at 1000: 1000'],
      ['code:LEAF1 once of 2', 'units:code:LEAF1@c 2 of 4'],
    ],
    [
      'bundles are made whole or not at all',
      [offer('b', threeForTwo, { uses: { unitsInAll: 8 } })],
      { x: 9 },
      {},
      ['9 x at 1000: 7000'],
      ['units:b 6 of 8'],
    ],
    [
      'what counts items apart shares its units out as it saves most',
      [offer('q', fromThree, { uses: { unitsInAll: 7 } })],
      { x: 3, y: 5 },
      {},
      ['3 x at 1000: 2700', '5 y at 500: 2300'],
      ['units:q 7 of 7'],
    ],
    [
      'too few for the first tier is none',
      [offer('q', fromThree, { uses: { unitsInAll: 2 } })],
      { x: 6 },
      {},
      ['6 x at 1000: 6000'],
      [],
    ],
  ],
)('%s', (_, promotions, lines, more, receipt, wanted) => {
  const told = rung(promotions, lines, more);
  expect(linesOf(told.receipt)).toEqual(receipt);
  expect(told.wanted).toEqual(wanted);
  expect(told.receipt.goods).toBe(told.receipt.lines.reduce((sum, { net }) => sum + net, 0));
});

test('what nothing is left of is told where it is for the goods, and nowhere else', () => {
  const promotions = [
    offer('c', cut(['x']), { uses: { unitsPerShopper: 5 } }),
    offer('b', threeForTwo, { uses: { perShopper: 1 } }),
    offer('over', cut(['x']), {
      when: { from: '2026-01-01T00:00', to: '2026-02-01T00:00' },
      uses: { inAll: 1 },
    }),
  ];
  const spent = (lines: Record<string, number>, usesSoFar: Record<string, number>) =>
    rung(promotions, lines, { shopper: 'ann', usesSoFar }).receipt.spent;
  const had = { 'units:c@ann': 5, 'b@ann': 1, over: 1 };
  expect(spent({ x: 1 }, had)).toEqual(['c', 'b']);
  expect(spent({ y: 1 }, had)).toEqual(['b']);
  expect(spent({ x: 1 }, { 'units:c@ann': 4 })).toEqual([]);
});

test('a code whose units are had is told as used up', () => {
  const promotion = offer('c', cut(['x']), { codes: ['LEAF'], uses: { unitsPerCode: 4 } });
  const { receipt } = rung([promotion], { x: 1 }, { codes: ['LEAF'], usesSoFar: { 'units:code:LEAF@c': 4 } });
  expect(receipt.codes).toMatchObject([{ code: 'LEAF', reason: 'used-up' }]);
});

test('parts of a line say which line of the basket they are of, and what goes wrong says so too', () => {
  const { receipt } = rung([offer('c', cut(['x']), { uses: { unitsInAll: 1 } })], { x: 2, nothing: 1, y: 1 });
  expect(receipt.lines.map(({ sku, of }) => `${sku} ${of}`)).toEqual(['x 0', 'x 0', 'nothing 1', 'y 2']);
  expect(receipt.problems).toMatchObject([{ line: 1, code: 'unknown-item' }]);
});

test('nothing is advised that its units do not allow', () => {
  const advised = (unitsInAll: number, x: number) =>
    rung([offer('b', threeForTwo, { uses: { unitsInAll } })], { x }).receipt.nearly.length;
  expect([advised(6, 5), advised(5, 5), advised(3, 3)]).toEqual([1, 0, 0]);
});

test('however much is in the basket: no unit is lost, no limit exceeded, none left while a unit could have it', () => {
  const quantity = fc.integer({ min: 0, max: 6 });
  const limit = fc.integer({ min: 1, max: 8 });
  fc.assert(
    fc.property(quantity, quantity, quantity, limit, limit, (x, y, z, most, other) => {
      const promotions = [
        offer('c', cut(['x', 'y'], 2_000), { priority: 1, uses: { unitsInAll: most } }),
        offer('d', cut(['y', 'z'], 1_000), { priority: 2, uses: { unitsInAll: other } }),
      ];
      const lines = Object.fromEntries(Object.entries({ x, y, z }).filter(([, count]) => count > 0));
      if (Object.keys(lines).length === 0) return;
      const { lines: told } = rung(promotions, lines).receipt;
      const units = (wanted: (line: Receipt['lines'][number]) => boolean) =>
        told.filter(wanted).reduce((sum, { thousandths }) => sum + thousandths / 1_000, 0);
      for (const [sku, count] of Object.entries(lines)) expect(units((line) => line.sku === sku)).toBe(count);
      const ofC = units(({ priceChange }) => priceChange === 'c');
      expect(ofC).toBe(Math.min(most, x + y));
      const ofD = units(({ priceChange }) => priceChange === 'd');
      const restOfY = y - units(({ sku, priceChange }) => sku === 'y' && priceChange === 'c');
      expect(ofD).toBe(Math.min(other, z + restOfY));
    }),
    { numRuns: 60 },
  );
});

test.each([
  ['deliveryReward', { kind: 'deliveryReward', value: { free: true } }],
  [
    'basketReward',
    { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '1.00', percentOff: 500 }] },
  ],
] as [string, OfferDocument][])('a limit in units of a %s is refused', (_, kind) => {
  const promotion = offer('r', kind, { uses: { unitsPerShopper: 5, perShopper: 1 } });
  expect(checkPlan(basketPlan(PRICES, [promotion])).map(describeFault)).toEqual([
    '/promotions/0/uses/unitsPerShopper: no units are reduced or used by this offer; wanted: a limit of receipts, such as "perShopper": 1',
  ]);
});
