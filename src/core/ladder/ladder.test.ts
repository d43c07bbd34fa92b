import { describe, expect, it } from 'vitest';
import { basketPlan, compiledOf, NOON, offer } from '../../../tests/plans/basket-plan.ts';
import { type Instant, parseMoment } from '../calendar/index.ts';
import type { PromotionDocument } from '../plan/index.ts';
import { GUEST, type Shopper } from '../tag-price/index.ts';
import { dealsOn, unitLadder } from './index.ts';

const TEA = { items: ['tea'] };
const THREE: PromotionDocument['offer'] = {
  kind: 'mixAndMatch',
  items: TEA,
  take: 3,
  value: { total: '11.00' },
};
const HALF: PromotionDocument['offer'] = { kind: 'priceChange', items: TEA, formula: { percentOff: 5000 } };
const REWARD: PromotionDocument['offer'] = {
  kind: 'basketReward',
  threshold: 'subtotal',
  tiers: [{ atLeast: '20.00', percentOff: 1000 }],
};

function asked(promotions: PromotionDocument[], more: { sku?: string; shopper?: Shopper } = {}) {
  const compiled = compiledOf(
    basketPlan({ tea: '4.40', cup: '9.00', rice: { unit: 'kg', prices: [{ price: '2.00' }] } }, promotions, {
      shopperGroups: [{ id: 'members', name: 'Members' }],
    }),
  );
  const at = parseMoment(NOON, compiled.clockOf(compiled.stores.get('shop')!)) as Instant;
  return { compiled, question: { sku: 'tea', store: 'shop', at, shopper: GUEST, ...more } };
}

const ladder = (promotions: PromotionDocument[], most: number, more = {}) => {
  const { compiled, question } = asked(promotions, more);
  return unitLadder(compiled, question, most).map(({ quantity, goods, each, promotions: by }) => [
    quantity,
    goods,
    each,
    by.join('+'),
  ]);
};

describe('what one, two, three … of an item come to', () => {
  it('is told step by step with the deals that make it', () => {
    expect(ladder([offer('three', THREE), offer('reward', REWARD)], 6)).toEqual([
      [1, 440, 440, ''],
      [2, 880, 440, ''],
      [3, 1100, 367, 'three'],
      [4, 1540, 385, 'three'],
      [5, 1980, 396, 'three'],
      [6, 1980, 330, 'reward+three'],
    ]);
  });

  it('starts from what a price change made of it, which is no deal', () => {
    expect(ladder([offer('half', HALF), offer('three', THREE)], 3)).toEqual([
      [1, 220, 220, ''],
      [2, 440, 220, ''],
      [3, 660, 220, ''],
    ]);
  });

  it('goes by the unit of measure where it is weighed', () => {
    expect(ladder([], 2, { sku: 'rice' })).toEqual([
      [1, 200, 200, ''],
      [2, 400, 200, ''],
    ]);
  });

  it('is nothing where it cannot be sold', () => {
    expect(ladder([], 3, { sku: 'none' })).toEqual([]);
  });
});

describe('the deals that take an item in', () => {
  const deals = (promotions: PromotionDocument[], more = {}) => {
    const { compiled, question } = asked(promotions, more);
    return dealsOn(compiled, question).map(({ promotion, reason }) => [promotion.id, reason]);
  };
  const combo = (...slots: string[]): PromotionDocument['offer'] => ({
    kind: 'combo',
    slots: slots.map((sku) => ({ name: sku, items: { items: [sku] }, quantity: 1 })),
    value: { total: '12.00' },
  });

  it('are told by id, live or not and why, also as one part of several', () => {
    const all = [
      offer('z-live', THREE),
      offer('paused', THREE, { status: 'paused' }),
      offer('late', THREE, { when: { from: '2027-06-01T00:00' } }),
      offer('members', THREE, { who: { groups: ['members'] } }),
      offer('coded', THREE, { codes: ['SAVE'] }),
      offer('together', combo('cup', 'tea')),
      offer('other', combo('cup', 'rice')),
      offer('change', HALF),
      offer('all-goods', REWARD),
    ];
    expect(deals(all)).toEqual([
      ['all-goods', null],
      ['coded', 'needs-code'],
      ['late', 'not-started'],
      ['members', 'wrong-shopper'],
      ['paused', 'switched-off'],
      ['together', null],
      ['z-live', null],
    ]);
    const members: Shopper = { kind: 'shopper', id: null, groups: ['members'] };
    expect(deals(all, { shopper: members })).toContainEqual(['members', null]);
  });

  it('do not count where a price change that stands alone sets the price', () => {
    expect(deals([offer('half', HALF, { alone: true }), offer('three', THREE)])).toEqual([
      ['three', 'winner-alone'],
    ]);
  });

  it('are none for what the plan does not know', () => {
    expect(deals([offer('three', THREE)], { sku: 'none' })).toEqual([]);
  });
});
