import { expect, it } from 'vitest';
import type { BasketOfferDocument } from '../../core/plan/index.ts';
import { warningWords } from './warning-words.ts';

const tea = { node: 'tea' };
const COMBO: BasketOfferDocument = {
  kind: 'combo',
  slots: [
    { name: 'Tea', items: tea, quantity: 1 },
    { name: 'Cup', items: tea, quantity: 1 },
  ],
  value: { total: '5.00' },
};
const REWARD: BasketOfferDocument = {
  kind: 'basketReward',
  threshold: 'subtotal',
  tiers: [{ atLeast: '20.00', percentOff: 500 }],
};
const step = { before: '12.00' } as never;
const TOLD = {
  names: { cup: 'A cup' },
  storeNames: { a: 'Aldermouth', b: 'Brackenford', c: 'Cold Ash' },
  steps: [step, step],
  lookedAt: { store: 'a', storeName: 'Aldermouth', at: '' },
};

it.each<[Parameters<typeof warningWords>[0], BasketOfferDocument, string]>([
  [
    { code: 'worse-than-shelf', pays: 1_250, shelf: 1_200, dearest: 1_800, tier: null },
    COMBO,
    'It asks 12.50 for what costs 12.00 without it, where the cheapest are bought. It helps only with dearer ones, up to 18.00.',
  ],
  [
    { code: 'worse-than-shelf', pays: 1_800, shelf: 1_200, dearest: 1_800, tier: 3 },
    COMBO,
    'From 3 on it asks 18.00 for what costs at most 18.00 without it. Nobody is helped.',
  ],
  [
    { code: 'gift-not-carried', gift: 'cup', stores: ['a', 'b', 'c', 'd', 'e'] },
    COMBO,
    'A cup, the gift, is not carried by Aldermouth, Brackenford, Cold Ash and 2 more stores; there it is not given, and the receipt says so.',
  ],
  [
    { code: 'nothing-carried', part: 1, stores: ['a', 'b'], of: 48 },
    COMBO,
    'Of “Cup” Aldermouth sells nothing; nor do 2 of its 48 stores in all. The deal cannot be had there.',
  ],
  [
    { code: 'never-reached', tier: 3_000, before: 2_000 },
    REWARD,
    'The tier from 30.00 gives no more than the one from 20.00.',
  ],
  [{ code: 'below-cost', steps: 1 }, COMBO, '1 of the 2 baskets below is sold below cost.'],
  [{ code: 'below-floor', steps: 2 }, COMBO, '2 of the 2 baskets below fall under the margin floor.'],
])('%j is told in words with its figures', (warning, offer, words) => {
  expect(warningWords(warning, offer, TOLD)).toBe(words);
});
