import { describe, expect, it } from 'vitest';
import { basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import { change, compiled, type Promoted, SMALL } from '../../../tests/plans/small-plan.ts';
import { type PromotionDocument, readPromotion, type WhenDocument } from '../plan/index.ts';
import { brokenRules, deepestCut, type HouseRules, NO_HOUSE_RULES } from './index.ts';

const rules = (said: Partial<HouseRules>): HouseRules => ({ ...NO_HOUSE_RULES, ...said });
const NO_SUNDAYS = rules({ notEndingOn: ['sun'] });
const MONTH = rules({ longest: 30 });
/** Friday to Sunday, every week from Friday, 5 March 2027. */
const WEEKENDS = {
  from: '2027-03-05T00:00',
  repeat: { rrule: 'FREQ=WEEKLY;BYDAY=FR', duration: 'P3D' },
};

describe('rules of the house on when a promotion counts', () => {
  // 1 March 2027 is a Monday.
  it.each<[string, WhenDocument, HouseRules, object[]]>([
    ['ends on a Saturday', { from: '2027-03-01T09:00', to: '2027-03-06T20:00' }, NO_SUNDAYS, []],
    [
      'ends on a Sunday',
      { from: '2027-03-01T09:00', to: '2027-03-07T20:00' },
      NO_SUNDAYS,
      [{ rule: 'ends-on', day: 'sun' }],
    ],
    [
      'ends with a Sunday, at midnight',
      { from: '2027-03-01T09:00', to: '2027-03-08T00:00' },
      NO_SUNDAYS,
      [{ rule: 'ends-on', day: 'sun' }],
    ],
    [
      'ends with a Saturday, at midnight',
      { from: '2027-03-01T09:00', to: '2027-03-07T00:00' },
      NO_SUNDAYS,
      [],
    ],
    ['has no end, and ends on no day', { from: '2027-03-01T09:00' }, NO_SUNDAYS, []],
    ['has weekends that end on Sundays', WEEKENDS, NO_SUNDAYS, [{ rule: 'ends-on', day: 'sun' }]],
    [
      'has weekends that end on Saturdays',
      { ...WEEKENDS, repeat: { ...WEEKENDS.repeat, duration: 'P2D' } },
      NO_SUNDAYS,
      [],
    ],
    [
      'has evenings, which do not end it',
      {
        from: '2027-03-01T09:00',
        to: '2027-03-06T20:00',
        windows: [{ days: ['sun'], from: '16:00', to: '18:00' }],
      },
      NO_SUNDAYS,
      [],
    ],
    ['lasts thirty days', { from: '2027-03-01T09:00', to: '2027-03-31T09:00' }, MONTH, []],
    [
      'lasts a minute more',
      { from: '2027-03-01T09:00', to: '2027-03-31T09:01' },
      MONTH,
      [{ rule: 'lasts', days: 31, most: 30 }],
    ],
    ['has no end', { from: '2027-03-01T09:00' }, MONTH, [{ rule: 'no-end', most: 30 }]],
    ['has weekends, however many', WEEKENDS, MONTH, []],
    [
      'has weekends that are too long for a short house',
      WEEKENDS,
      rules({ longest: 2 }),
      [{ rule: 'lasts', days: 3, most: 2 }],
    ],
    ['is as it likes where the house asks nothing', { from: '2027-03-07T09:00' }, NO_HOUSE_RULES, []],
  ])('one that %s', (_, when, house, broken) => {
    expect(brokenRules(when, house)).toEqual(broken);
  });
});

describe('the deepest cut', () => {
  const cutOf = (said: Promoted) => {
    const plan = compiled(SMALL);
    return deepestCut(plan, readPromotion(change('draft', said), plan.plan.currency));
  };
  const BAR = { items: ['bar'] };

  it.each<[string, Promoted, number]>([
    ['a percentage', { formula: { percentOff: 2_500 } }, 2_500],
    [
      'an amount, off the cheapest of its goods',
      { items: { node: 'sun' }, formula: { amountOff: '4.00' } },
      5_000,
    ],
    [
      'a price, where a zone has one of its own that is higher',
      { items: BAR, formula: { setTo: '0.55' } },
      5_000,
    ],
    [
      'a price, in one store alone',
      { items: BAR, formula: { setTo: '0.55' }, where: { stores: ['east'] } },
      4_500,
    ],
    ['one by a single-use code', { formula: { percentOff: 2_500 }, codeBatches: true }, 2_500],
    [
      'one that is for members alone',
      { formula: { percentOff: 2_500 }, who: { groups: ['members'] } },
      2_500,
    ],
    ['one that makes nothing cheaper', { items: BAR, formula: { setTo: '5.00' } }, 0],
    ['one that goes nowhere', { where: { stores: [] }, formula: { percentOff: 2_500 } }, 0],
    ['a draft', { status: 'draft', formula: { percentOff: 2_500 } }, 2_500],
  ])('of %s', (_, said, cut) => {
    expect(cutOf(said)).toBe(cut);
  });

  it('does not ask what else runs', () => {
    const plan = compiled({
      ...SMALL,
      promotions: [change('other', { priority: 1, formula: { percentOff: 9_000 } })],
    });
    const draft = change('draft', { formula: { percentOff: 2_500 } });
    expect(deepestCut(plan, readPromotion(draft, plan.plan.currency))).toBe(2_500);
  });

  const GOODS = { tea: { prices: [{ price: '4.00' }] }, cup: { prices: [{ price: '9.00' }] } };
  it.each<[string, PromotionDocument['offer'], number]>([
    ['three for ten', mix({ total: '10.00' }), 1_667],
    ['half off three', mix({ percentOff: 5_000 }), 5_000],
    [
      'a reward of money',
      { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '40.00', amountOff: '10.00' }] },
      2_500,
    ],
  ])('of a deal: %s', (_, said, cut) => {
    const plan = compiled(basketPlan(GOODS, []));
    const deal = readPromotion(offer('draft', said, { status: 'draft' }), plan.plan.currency);
    expect(deepestCut(plan, deal)).toBe(cut);
  });
});

function mix(value: object): PromotionDocument['offer'] {
  return { kind: 'mixAndMatch', items: { items: ['tea'] }, take: 3, value } as PromotionDocument['offer'];
}
