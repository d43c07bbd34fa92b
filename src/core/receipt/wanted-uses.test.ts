import { expect, test } from 'vitest';
import { basketOf, basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import type { OfferDocument, PromotionDocument } from '../plan/index.ts';
import { readPlan } from '../plan/index.ts';
import { compile } from '../price-book/index.ts';
import { type BasketDocument, readBasket, ringBasket, wantedUses } from './index.ts';

const change: OfferDocument = {
  kind: 'priceChange',
  items: { items: ['x'] },
  formula: { percentOff: 1_000 },
};
const bundle: OfferDocument = {
  kind: 'mixAndMatch',
  items: { items: ['y'] },
  take: 2,
  value: { total: '7.00' },
};
const reward: OfferDocument = {
  kind: 'basketReward',
  threshold: 'subtotal',
  tiers: [{ atLeast: '1.00', percentOff: 500 }],
};

function wanted(
  promotions: PromotionDocument[],
  lines: Record<string, number>,
  more: Partial<BasketDocument> = {},
) {
  const plan = basketPlan({ x: '10.00', y: '5.00' }, promotions, { shoppers: [{ id: 'ann' }] });
  const compiled = compile(readPlan(plan));
  const read = readBasket(basketOf(lines, more), compiled);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return wantedUses(ringBasket(compiled, read.basket), read.basket, compiled).map(
    ({ key, most, span }) => `${key} ${most}${span === undefined ? '' : ` in ${span}`}`,
  );
}

test.each<[string, PromotionDocument[], Record<string, number>, Partial<BasketDocument>, string[]]>([
  ['one without a limit draws on nothing', [offer('c', change)], { x: 1 }, {}, []],
  [
    'a price change counts once for all its units',
    [offer('c', change, { uses: { inAll: 5 } })],
    { x: 9 },
    {},
    ['c 5'],
  ],
  [
    'one that takes none of the goods is not used',
    [offer('c', change, { uses: { inAll: 5 } })],
    { y: 1 },
    {},
    [],
  ],
  [
    'a bundle counts once however often it is made',
    [offer('b', bundle, { uses: { inAll: 5 } })],
    { y: 6 },
    {},
    ['b 5'],
  ],
  [
    'a bundle that is not reached is not used',
    [offer('b', bundle, { uses: { inAll: 5 } })],
    { y: 1 },
    {},
    [],
  ],
  ['a reward counts', [offer('r', reward, { uses: { inAll: 2 } })], { x: 1 }, {}, ['r 2']],
  ['a guest has no limit of their own', [offer('c', change, { uses: { perShopper: 1 } })], { x: 1 }, {}, []],
  [
    'a shopper who is known has',
    [offer('c', change, { uses: { perShopper: 1, inAll: 3 } })],
    { x: 1 },
    { shopper: 'ann' },
    ['c 3', 'c@ann 1'],
  ],
  [
    'one code of two is used, by the way that it is compared',
    [offer('c', change, { codes: ['LEAF', 'SPRING-1'], uses: { perCode: 2 } })],
    { x: 1 },
    { codes: ['spring 1', 'LEAF'] },
    ['code:SPRING1 2'],
  ],
  [
    'the code that is left is used where the other is used up',
    [offer('c', change, { codes: ['LEAF', 'SPRING-1'], uses: { perCode: 2 } })],
    { x: 1 },
    { codes: ['spring 1', 'LEAF'], usesSoFar: { 'code:SPRING-1': 2 } },
    ['code:LEAF 2'],
  ],
  [
    'one code of two promotions is used once, as often as the stricter lets it',
    [
      offer('c', change, { codes: ['LEAF'], uses: { perCode: 5 } }),
      offer('r', reward, { codes: ['LEAF'], uses: { perCode: 2 } }),
    ],
    { x: 1 },
    { codes: ['LEAF'] },
    ['code:LEAF 2'],
  ],
  [
    'and where the stricter one is used up, as often as the other does',
    [
      offer('c', change, { codes: ['LEAF'], uses: { perCode: 5 } }),
      offer('r', reward, { codes: ['LEAF'], uses: { perCode: 2 } }),
    ],
    { x: 1 },
    { codes: ['LEAF'], usesSoFar: { 'code:LEAF': 2 } },
    ['code:LEAF 5'],
  ],
  [
    'what counts anew each week counts from its Monday, by the calendar of the store',
    [offer('c', change, { uses: { inAll: 5, every: 'week' } })],
    { x: 1 },
    // Still Sunday in London.
    { at: '2027-03-08T00:30' },
    ['c 5 in 2027-03-08'],
  ],
  [
    'and each month from its first day',
    [offer('c', change, { uses: { perShopper: 1, every: 'month' } })],
    { x: 1 },
    { shopper: 'ann', at: '2027-03-31T23:30' },
    ['c@ann 1 in 2027-03-01'],
  ],
])('%s', (_, promotions, lines, more, uses) => {
  expect(wanted(promotions, lines, more)).toEqual(uses);
});
