import { describe, expect, it } from 'vitest';
import { basketOf, basketPlan, compiledOf, offer, ring } from '../../../tests/plans/basket-plan.ts';
import { change } from '../../../tests/plans/small-plan.ts';
import type { PromotionDocument } from '../plan/index.ts';
import { type Combining, otherwise, type Together, together } from './index.ts';

const WHEN = { from: '2027-01-01T00:00' };
const tag = (id: string, more = {}) =>
  change(id, { when: WHEN, items: { items: ['a'] }, formula: { percentOff: 1_000 }, ...more });
const units = (id: string, more = {}) =>
  offer(id, { kind: 'mixAndMatch', items: { items: ['a'] }, take: 2, value: { percentOff: 1_000 } }, more);
const reward = (id: string, combinesWith?: 'all' | 'none' | string[]) =>
  offer(id, {
    ...{ kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '1.00', amountOff: '1.00' }] },
    ...(combinesWith ? { combinesWith } : {}),
  });
const delivery = (id: string) => offer(id, { kind: 'deliveryReward', value: { free: true } });

const PAIRS: readonly [string, PromotionDocument, PromotionDocument, Together][] = [
  ['two price changes', tag('a'), tag('b'), 'one'],
  ['one on top', tag('a'), tag('b', { onTop: true }), 'both'],
  ['one on top of one that is alone', tag('a', { alone: true }), tag('b', { onTop: true }), 'one'],
  ['a price change and a deal', tag('a'), units('b'), 'both'],
  ['a price change and a deal from the base', tag('a'), units('b', { startsFrom: 'base' }), 'one'],
  ['one that is alone and a deal', tag('a', { alone: true }), units('b'), 'one'],
  ['one that is alone and a reward', tag('a', { alone: true }), reward('b'), 'one'],
  ['two deals', units('a'), units('b'), 'one'],
  ['a deal and a reward', units('a'), reward('b'), 'both'],
  ['a deal that is alone and a reward', units('a', { alone: true }), reward('b'), 'one'],
  ['a deal and a reward that admits nothing', units('a'), reward('b', 'none'), 'apart'],
  ['two rewards', reward('a'), reward('b'), 'both'],
  ['two of which one names another', reward('a', ['c']), reward('b'), 'apart'],
  ['two of which one names the other', reward('a', ['b']), reward('b'), 'both'],
  ['two of which one admits nothing', reward('a', 'none'), reward('b'), 'apart'],
  ['a reward and one on delivery', reward('a'), delivery('b'), 'both'],
  ['two on delivery', delivery('a'), delivery('b'), 'one'],
];

describe('who goes with whom', () => {
  it.each(PAIRS)('%s', (_, a, b, wanted) => {
    expect([together(a, b), together(b, a)]).toEqual([wanted, wanted]);
  });

  it('is what a basket of both shows', () => {
    const names = (...both: PromotionDocument[]) => {
      const promotions = [...both, { ...reward('c'), status: 'paused' as const }];
      const plan = compiledOf(basketPlan({ a: '10.00' }, promotions));
      const { lines, applications, rewards } = ring(plan, basketOf({ a: 2 }));
      return new Set([
        ...lines.flatMap(({ priceChange, onTop = [] }) => [priceChange ?? '', ...onTop]),
        ...[...applications, ...rewards].map(({ promotion }) => promotion),
      ]);
    };
    for (const [words, a, b, wanted] of PAIRS) {
      if (a.offer.kind === 'deliveryReward' || b.offer.kind === 'deliveryReward') continue;
      const found = names(a, b);
      // A deal from the base is not made where it saves less than the price change that it undoes.
      const both = found.has('a') && found.has('b');
      expect([words, both]).toEqual([words, wanted === 'both']);
    }
  });

  it.each(PAIRS)(
    '%s would stand otherwise after a change of them, or it is not theirs to say',
    (_, a, b, now) => {
      const all: Combining[] = [a, b, reward('c')];
      const changed = otherwise(a, b, all);
      if (changed === null) return;
      const next = (one: Combining) => changed.find(({ id }) => id === one.id) ?? one;
      expect(together(next(a), next(b)) === 'both').toBe(now !== 'both');
      // What one of them is to any other reward stays.
      if (a.offer.kind === 'basketReward' && b.offer.kind === 'basketReward' && now === 'both')
        expect(together(next(a), reward('c'))).toBe(together(a, reward('c')));
    },
  );
});
