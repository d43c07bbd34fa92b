import { describe, expect, it } from 'vitest';
import { change, compiled, type Promoted, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { parseMoment } from '../calendar/index.ts';
import { minorUnits } from '../money/index.ts';
import { readPromotion } from '../plan/index.ts';
import { breakEven, consequencesOf, marginOf, shutHours } from './index.ts';

function consequences(said: Promoted, document = SMALL, store: string | null = null) {
  const plan = compiled(document);
  return consequencesOf(
    plan,
    readPromotion(change('draft', { status: 'draft', ...said }), plan.plan.currency),
    store,
  );
}

describe('what a draft would do', () => {
  it('is seen at its first live moment, in the first store of it, item by item', () => {
    const seen = consequences({
      items: { node: 'sun' },
      formula: { percentOff: 1500 },
      rounding: { step: '0.05', mode: 'up' },
    });
    const plan = compiled(SMALL);
    expect(seen.lookedAt).toEqual({
      store: 'east',
      at: parseMoment('2027-03-01T09:00', plan.clockOf(plan.stores.get('east')!)),
    });
    expect(seen).toMatchObject({ items: 3, changed: 3, belowCost: 0, stores: ['east', 'west'] });
    expect(seen.lines[0]).toMatchObject({
      sku: 'milk',
      regular: 2490,
      before: 2490,
      after: 2120,
      cost: 1200,
      margin: 4339,
      breakEven: 141,
      lost: null,
    });
  });

  it('looks at the store that is asked for where the draft counts there', () => {
    expect(consequences({}, SMALL, 'west').lookedAt?.store).toBe('west');
    expect(consequences({ where: { stores: ['east'] } }, SMALL, 'west').lookedAt?.store).toBe('east');
  });

  it('is looked at with the eyes of somebody whom it is for', () => {
    expect(consequences({ who: { groups: ['staff'] }, items: { items: ['milk'] } }).lines[0]).toMatchObject({
      before: 2120,
      after: 1908,
    });
  });

  it.each([{ codes: ['SPRING'] }, { codeBatches: true as const }])(
    'is looked at by who holds its code: %j',
    (by) => {
      const said = { items: { node: 'sun' }, formula: { percentOff: 6_000 } };
      const [seen, open] = [consequences({ ...said, ...by }), consequences(said)];
      expect(seen).toEqual(open);
      expect(seen.lines[0]).toMatchObject({ sku: 'milk', before: 2490, after: 996, lost: null });
      expect(seen.belowCost).toBeGreaterThan(0);
    },
  );

  it('counts what falls below cost and below the margin floor', () => {
    const floored = { ...SMALL, policy: { marginFloor: 3000 } };
    expect(
      consequences({ items: { items: ['milk', 'spray'] }, formula: { percentOff: 6000 } }, floored),
    ).toMatchObject({
      belowCost: 1,
      belowFloor: 2,
    });
  });

  it('names what it meets, and whether that wins', () => {
    const others = withPromotions(
      change('first', { priority: 1, items: { items: ['milk'] } }),
      change('later', { priority: 200, items: { items: ['spray'] } }),
    );
    const seen = consequences({ items: { node: 'sun' }, formula: { percentOff: 500 } }, others);
    expect(seen.meets).toEqual([
      { promotion: 'first', items: 1, wins: true },
      { promotion: 'later', items: 1, wins: false },
    ]);
    expect(seen.lines.find(({ sku }) => sku === 'milk')).toMatchObject({
      lost: 'lower-priority',
      after: 2241,
    });
  });

  it('replaces the state that is saved, not adds to it', () => {
    const saved = withPromotions(change('draft', { formula: { percentOff: 9000 } }));
    expect(consequences({ items: { items: ['milk'] } }, saved).lines[0]).toMatchObject({
      before: 2490,
      after: 2241,
    });
  });

  it('counts every store of it, and names the worst', () => {
    const bar = consequences(
      { items: { items: ['bar'] }, formula: { setTo: '0.50' } },
      {
        ...SMALL,
        items: SMALL.items.map((item) => (item.sku === 'bar' ? { ...item, cost: '0.45' } : item)),
      },
    );
    expect(bar).toMatchObject({ items: 1, changed: 1, belowCost: 0, differing: 0 });
    const line = (said: Promoted) => consequences({ items: { items: ['bar'] }, ...said }).lines[0];
    // 1.00 in the east, 1.10 on the isles.
    expect(line({ formula: { percentOff: 1000 } })).toMatchObject({
      store: 'east',
      after: 90,
      across: { before: { low: 100, high: 110 }, after: { low: 90, high: 99 }, stores: 2, changedIn: 2 },
    });
    const floored = { ...SMALL, policy: { marginFloor: 6200 } };
    const inIsles = {
      linePricesIn: [
        { zone: 'isles', prices: { bar: '1.00' } },
        { zone: 'main', prices: { bar: '1.00' } },
      ],
    };
    expect(consequences({ items: { items: ['bar'] }, ...inIsles }, floored)).toMatchObject({ belowFloor: 1 });
    const cheapInWest = { linePricesIn: [{ store: 'west', prices: { bar: '0.30' } }] };
    expect(consequences({ items: { items: ['bar'] }, ...cheapInWest }, floored)).toMatchObject({
      belowCost: 1,
      changed: 1,
      differing: 1,
      lines: [{ store: 'east', after: 100, across: { worst: { store: 'west', price: 30 } } }],
    });
  });

  it('looks where an item is sold, where the store that is looked at does not carry it', () => {
    const ranges = [
      { id: 'east', name: 'East', stores: { stores: ['east'] }, items: { items: ['milk'] } },
      { id: 'west', name: 'West', stores: { stores: ['west'] }, items: { items: ['spray'] } },
    ];
    const seen = consequences({ items: { node: 'sun' } }, { ...SMALL, ranges }, 'east');
    expect(seen.lines.map(({ sku, store }) => [sku, store])).toEqual([
      ['milk', 'east'],
      ['spray', 'west'],
    ]);
    expect(seen).toMatchObject({ items: 2, changed: 2 });
  });

  it('tells apart what gets dearer, and what would and must not', () => {
    const up = { formula: { percentOff: 100 }, rounding: { endings: ['0.99'], mode: 'up' as const } };
    const items = { items: ['milk', 'spray'] };
    expect(consequences({ items, ...up })).toMatchObject({ raised: 0, kept: 1, changed: 1 });
    expect(consequences({ items, ...up, mayRaise: true })).toMatchObject({ raised: 1, kept: 0, changed: 2 });
  });

  it('is asked through a terminal and a channel at which it counts', () => {
    const said = { terminals: ['counter'], channels: ['web'], items: { items: ['milk'] } };
    expect(consequences(said).lines[0]).toMatchObject({ after: 2241, across: { changedIn: 1, stores: 2 } });
  });

  it('is nothing where no store is in it, or no moment of it comes', () => {
    expect(consequences({ where: { tag: 'nowhere' } })).toMatchObject({
      stores: [],
      lookedAt: null,
      items: 0,
    });
    const never = {
      from: '2027-03-01T09:00',
      to: '2027-03-01T10:00',
      windows: [{ from: '12:00', to: '13:00' }],
    };
    expect(consequences({ when: never })).toMatchObject({ lookedAt: null, items: 0 });
  });
});

describe('margin and break-even', () => {
  it.each([
    [1000, 600, 4000],
    [1000, 1200, -2000],
    [999, 600, 3993],
    [1000, null, null],
    [0, 600, null],
  ])('a price of %s at a cost of %s has a margin of %s', (price, cost, wanted) => {
    expect(marginOf(minorUnits(price), cost === null ? null : minorUnits(cost))).toBe(wanted);
  });

  it.each([
    [1000, 900, 600, 134],
    [1000, 1000, 600, 100],
    [1000, 600, 600, null],
    [1000, 500, 600, null],
    [1000, 900, null, null],
    [500, 900, 600, 0],
  ])('from %s to %s at a cost of %s needs %s hundredths of the units', (before, after, cost, wanted) => {
    expect(breakEven(minorUnits(before), minorUnits(after), cost === null ? null : minorUnits(cost))).toBe(
      wanted,
    );
  });
});

describe('hours at which stores are shut', () => {
  const hours = [
    { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat'], from: '08:00', to: '20:00' },
  ] as NonNullable<(typeof SMALL)['stores'][number]['hours']>;
  const plan = {
    ...SMALL,
    stores: SMALL.stores.map((store) => (store.id === 'east' ? { ...store, hours } : store)),
  };
  const shut = (when: Promoted['when']) => {
    const { plan: read, ...rest } = compiled(plan);
    return shutHours({ ...rest, plan: read }, readPromotion(change('draft', { when }), read.currency));
  };

  // 1 March 2027 is a Monday.
  it.each<[string, Promoted['when'], object[]]>([
    ['an end at closing', { from: '2027-03-01T09:00', to: '2027-03-06T20:00' }, []],
    ['an end at midnight, when a day is over', { from: '2027-03-01T00:00', to: '2027-03-07T00:00' }, []],
    [
      'an end at night',
      { from: '2027-03-01T09:00', to: '2027-03-06T23:00' },
      [{ what: 'end', stores: ['east'] }],
    ],
    ['no end', { from: '2027-03-01T09:00' }, []],
    [
      'a Sunday alone',
      { from: '2027-03-07T00:00', to: '2027-03-08T00:00' },
      [{ what: 'hours', stores: ['east'] }],
    ],
    [
      'hours after closing, every day',
      { from: '2027-03-01T00:00', windows: [{ from: '20:00', to: '22:00' }] },
      [{ what: 'hours', stores: ['east'] }],
    ],
    [
      'hours that begin before closing',
      { from: '2027-03-01T00:00', windows: [{ from: '19:00', to: '22:00' }] },
      [],
    ],
  ])('are pointed out for %s', (_, when, wanted) => {
    expect(shut(when)).toEqual(wanted);
  });
});
