import { describe, expect, it } from 'vitest';
import { change, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { parsePlan } from '../../contracts/index.ts';
import { describeFault, type PlanDocument } from './index.ts';

const faultsOf = (said: Partial<PlanDocument>): string[] => {
  const parsed = parsePlan({ ...withPromotions(change('c')), ...said });
  return parsed.ok ? [] : parsed.faults.map(describeFault);
};
const CLINIC = { id: 'clinic', name: 'Harbour Clinic', groups: ['staff'], priceList: 'own' };

describe('shoppers with terms of their own', () => {
  it('belong to an account, and have a list', () => {
    expect(faultsOf({ shoppers: [CLINIC, { id: 'ann', account: 'clinic', priceList: 'members' }] })).toEqual(
      [],
    );
  });

  it.each<[string, NonNullable<PlanDocument['shoppers']>, RegExp]>([
    [
      'an account that is not there',
      [{ id: 'ann', account: 'nobody' }],
      /^\/shoppers\/0\/account: no shopper "nobody"/,
    ],
    ['its own account', [{ id: 'ann', account: 'ann' }], /\/shoppers\/0\/account: it is its own account/],
    [
      'an account of an account',
      [CLINIC, { id: 'ann', account: 'clinic' }, { id: 'bo', account: 'ann' }],
      /\/shoppers\/2\/account: "ann" belongs to the account "clinic" itself/,
    ],
    [
      'a list that is not there',
      [{ id: 'ann', priceList: 'none' }],
      /\/shoppers\/0\/priceList: no price list "none"/,
    ],
  ])('may not have %s', (_, shoppers, told) => {
    const faults = faultsOf({ shoppers });
    expect(faults).toHaveLength(1);
    expect(faults[0]).toMatch(told);
  });
});

describe('cards that tell a kind of shopper', () => {
  const kinds = (...cards: ({ prefix: string; digits: number } | undefined)[]) =>
    faultsOf({
      shopperGroups: SMALL.shopperGroups!.map((group, i) =>
        cards[i] ? { ...group, cards: cards[i] } : group,
      ),
    });

  it('begin in ways that can be told apart', () => {
    expect(
      kinds({ prefix: '275', digits: 13 }, { prefix: '276', digits: 13 }, { prefix: '275', digits: 12 }),
    ).toEqual([]);
  });

  it.each<[string, Parameters<typeof kinds>, RegExp]>([
    [
      'the beginning of another kind’s',
      [
        { prefix: '27', digits: 13 },
        { prefix: '2750', digits: 13 },
      ],
      /\/shopperGroups\/1\/cards: cards of “Members” begin so too/,
    ],
    [
      'no digit of their own',
      [{ prefix: '27500', digits: 6 }],
      /\/shopperGroups\/0\/cards: cards of 6 digits that begin with 27500/,
    ],
    ['no number', [{ prefix: 'AB', digits: 13 }], /\/shopperGroups\/0\/cards\/prefix/],
  ])('may not have %s', (_, cards, told) => {
    expect(kinds(...cards).join('; ')).toMatch(told);
  });
});
