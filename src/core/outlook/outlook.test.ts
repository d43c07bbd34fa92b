import { describe, expect, it } from 'vitest';
import { basketPlan, compiledOf, offer } from '../../../tests/plans/basket-plan.ts';
import { change } from '../../../tests/plans/small-plan.ts';
import { dayNumber, dayOf, parseWallTime } from '../calendar/index.ts';
import { type PromotionDocument, readPromotion } from '../plan/index.ts';
import { ASSUMED, type Assumptions, lastTime, MOST_DAYS, outlookOf, weekOutlook } from './index.ts';

const WEEK = { from: '2027-03-01T00:00', to: '2027-03-08T00:00' };
const item = (price: string, cost?: string) => ({ prices: [{ price }], ...(cost ? { cost } : {}) });
const GOODS = { a: item('10.00', '6.00'), b: item('4.00', '2.00'), c: item('5.00', '4.00'), d: item('3.00') };
/** Seven a week are one a day. */
const ONE_A_DAY: Assumptions = { ...ASSUMED, unitsAWeek: 700, fromOthers: 0 };

function outlook(
  document: PromotionDocument,
  assumed: Partial<Assumptions> = {},
  others: PromotionDocument[] = [],
) {
  const plan = compiledOf(basketPlan(GOODS, others));
  return outlookOf(plan, readPromotion(document, plan.plan.currency), { ...ONE_A_DAY, ...assumed });
}
const ofA = (more: object = {}) =>
  change('p', { when: WEEK, items: { items: ['a'] }, formula: { percentOff: 2_000 }, ...more });

describe('what a promotion would do', () => {
  it('is told by day: units, takings and margin without it and with it', () => {
    const { days, whole, breakEven, goods } = outlook(ofA());
    expect(days).toHaveLength(7);
    expect(days[0]).toEqual({
      day: dayOf(parseWallTime('2027-03-01T00:00')!),
      without: { units: 1, takings: 1_000, margin: 400 },
      // Half as many more, at 8.00 each.
      with: { units: 1.5, takings: 1_200, margin: 300 },
      others: { units: 0, takings: 0, margin: 0 },
    });
    expect(whole.with).toEqual({ units: 10.5, takings: 8_400, margin: 2_100 });
    expect(breakEven).toBeCloseTo(2);
    expect(goods.map(({ sku }) => sku)).toEqual(['a']);
  });

  it.each<[string, Partial<Assumptions>, number]>([
    ['one number', { demand: { kind: 'uplift', by: 10_000 } }, 2],
    ['an item of its own', { upliftOf: new Map([['a', 3_000]]) }, 1.3],
    ['an elasticity', { demand: { kind: 'elasticity', of: -200 } }, 0.8 ** -2],
    ['units of its own', { unitsOf: new Map([['a', 1_400]]) }, 3],
  ])('goes by %s', (_, assumed, units) => {
    expect(outlook(ofA(), assumed).days[0]!.with.units).toBeCloseTo(units);
  });

  it('earns as much as before at its break-even, and never where each unit loses', () => {
    const { breakEven } = outlook(ofA());
    const there = outlook(ofA(), { demand: { kind: 'uplift', by: Math.round((breakEven! - 1) * 10_000) } });
    expect(there.whole.with.margin).toBeCloseTo(there.whole.without.margin);
    expect(outlook(ofA({ formula: { percentOff: 5_000 } })).breakEven).toBe(null);
  });

  it('counts its hours alone', () => {
    const windows = [{ days: ['mon', 'wed'], from: '08:00', to: '14:00' }];
    const { days } = outlook(ofA({ when: { ...WEEK, windows } }));
    expect(days.map(({ with: { units } }) => units)).toEqual([1.25, 1, 1.25, 1, 1, 1, 1]);
  });

  it('takes units from the other goods of the group, by name, and of all of them no more than they sell', () => {
    const { losing, whole } = outlook(ofA(), { fromOthers: 6_000 });
    // Half a unit more a day, of which six tenths are taken from three others.
    expect(losing).toHaveLength(1);
    expect(losing[0]).toMatchObject({ node: 'all', goods: 3 });
    expect(losing[0]!.most.map(({ sku }) => sku)).toEqual(['c', 'b', 'd']);
    expect(whole.others.units).toBeCloseTo(7 * 0.3);
    expect(whole.others.takings).toBeCloseTo(7 * 0.1 * 1_200);
    const all = outlook(ofA({ formula: { percentOff: 100 } }), {
      fromOthers: 10_000,
      demand: { kind: 'uplift', by: 100_000 },
    });
    expect(all.whole.others.units).toBeCloseTo(7 * 3);
  });

  it('says nothing of the margin of goods without a cost, and counts the supplier’s', () => {
    const none = outlook(ofA({ items: { items: ['d'] } }));
    expect([none.withoutCost, none.whole.with.margin, none.breakEven]).toEqual([1, 0, null]);
    const supplier = { to: '2027-03-08', cost: '5.00', uplift: 0 };
    expect(outlook({ ...ofA(), supplier } as PromotionDocument).days[0]!.with.margin).toBe(450);
  });

  it('of a deal is what those pay who take it', () => {
    const three: PromotionDocument['offer'] = {
      ...{ kind: 'mixAndMatch', items: { items: ['a'] }, take: 2, value: { percentOff: 5_000 } },
    };
    const { days } = outlook(offer('p', three, { when: WEEK }), {
      takeUp: 5_000,
      demand: { kind: 'uplift', by: 0 },
    });
    // Half of them at half price.
    expect(days[0]!.with).toEqual({ units: 1, takings: 750, margin: 150 });
  });

  it('is told for two months of what has no end, and of nothing where it never counts', () => {
    expect(outlook(ofA({ when: { from: WEEK.from } })).days).toHaveLength(MOST_DAYS);
    const nowhere = outlook(ofA({ where: { stores: [] } }));
    expect(nowhere).toMatchObject({ days: [], goods: [], breakEven: null, stores: { looked: 0, of: 0 } });
  });
});

describe('the last time', () => {
  const ran = (id: string, from: string, to: string, items: string[]) =>
    change(id, { when: { from, to }, items: { items }, formula: { percentOff: 1_000 } });
  const last = (...others: PromotionDocument[]) => {
    const draft = change('p', { when: WEEK, items: { items: ['a', 'b'] }, formula: { percentOff: 2_000 } });
    const plan = compiledOf(basketPlan(GOODS, [...others, draft]));
    const found = lastTime(plan, readPromotion(draft, plan.plan.currency));
    return found && [found.promotion.id, found.goods];
  };
  it('is the latest of its kind about mostly the same goods', () => {
    const early = ran('early', '2027-01-01T00:00', '2027-01-08T00:00', ['a', 'b']);
    const late = ran('late', '2027-02-01T00:00', '2027-02-08T00:00', ['a', 'b', 'c']);
    expect(last(early, late)).toEqual(['late', { both: 2, added: 0, gone: 1 }]);
    expect(last(early, ran('other', '2027-02-01T00:00', '2027-02-08T00:00', ['c']))![0]).toBe('early');
    expect(last(ran('during', '2027-02-01T00:00', '2027-03-03T00:00', ['a', 'b']))).toBe(null);
    expect(last({ ...early, status: 'draft' })).toBe(null);
  });
});

describe('a week of all promotions', () => {
  it('adds them up by department and by day', () => {
    const plan = basketPlan(
      {
        ...GOODS,
        e: { ...item('2.00', '1.00'), node: 'left' },
        f: { ...item('2.00', '1.00'), node: 'deep' },
      },
      [
        ofA(),
        offer('d', { kind: 'mixAndMatch', items: { items: ['e'] }, take: 1, value: { percentOff: 5_000 } }),
      ],
    );
    const nodes = [...plan.nodes, { id: 'left', name: 'Left' }, { id: 'deep', name: 'Deep', parent: 'left' }];
    const first = dayNumber(dayOf(parseWallTime('2027-03-06T00:00')!));
    const week = weekOutlook(compiledOf({ ...plan, nodes }), first, ['shop'], {
      ...ONE_A_DAY,
      demand: { kind: 'uplift', by: 0 },
    });
    // Two of the seven days are the promotion's, the deal's are all.
    expect(week.departments.map(({ department, goods, promoted }) => [department, goods, promoted])).toEqual([
      ['all', 4, 1],
      ['left', 2, 1],
    ]);
    const [all, left] = week.departments;
    expect([all!.without.takings - all!.with.takings, left!.without.takings - left!.with.takings]).toEqual([
      400, 350,
    ]);
    expect(week.days.map(({ without, with: during }) => without.takings - during.takings)).toEqual([
      250, 250, 50, 50, 50, 50, 50,
    ]);
    expect(week.withoutCost).toBe(1);
  });
});
