import { describe, expect, it } from 'vitest';
import { basketPlan, compiledOf, offer } from '../../../tests/plans/basket-plan.ts';
import { change, compiled, type Promoted, withPromotions } from '../../../tests/plans/small-plan.ts';
import { formatWallTime, type Instant } from '../calendar/index.ts';
import { formatAmount } from '../money/index.ts';
import type { PlanDocument, PromotionDocument } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { findOverlaps } from './index.ts';

/** Codes with the promotions they name: "overlap a b". */
const said = (plan: CompiledPlan): string[] => [
  ...new Set(findOverlaps(plan).map(({ code, promotions }) => [code, ...promotions].join(' '))),
];

const MARCH = { from: '2027-03-01T09:00', to: '2027-03-08T20:00' };
const LATER = { from: '2027-03-08T20:00', to: '2027-03-15T20:00' };
const SPRAY = { items: ['spray'] };
const a = (more: Promoted = {}) => change('a', { when: MARCH, items: SPRAY, ...more });
const b = (more: Promoted = {}) =>
  change('b', { when: MARCH, items: SPRAY, formula: { percentOff: 2000 }, ...more });

describe('two price changes', () => {
  it.each<[string, PromotionDocument[], string[]]>([
    ['of one priority on one item', [a(), b()], ['never-wins a', 'overlap a b']],
    [
      'of one priority and with one result',
      [a(), b({ formula: { percentOff: 1000 } })],
      ['never-wins b', 'overlap a b'],
    ],
    ['of two priorities', [a({ priority: 1 }), b({ items: { node: 'sun' } })], []],
    ['of two priorities, the second nowhere alone', [a({ priority: 1 }), b()], ['never-wins b']],
    ['of two goods', [a(), b({ items: { items: ['milk'] } })], []],
    ['in two stores', [a({ where: { stores: ['east'] } }), b({ where: { stores: ['west'] } })], []],
    [
      'at two times of the day',
      [
        a({ when: { ...MARCH, windows: [{ from: '08:00', to: '12:00' }] } }),
        b({ when: { ...MARCH, windows: [{ from: '12:00', to: '18:00' }] } }),
      ],
      [],
    ],
    ['for members and for guests', [a({ who: { groups: ['members'] } }), b({ who: { guests: true } })], []],
    ['for members and for all', [a({ who: { groups: ['members'] } }), b()], ['never-wins a', 'overlap a b']],
    ['by two channels', [a({ channels: ['web'] }), b({ channels: ['till'] })], []],
    ['one of them by one channel', [a(), b({ channels: ['web'] })], ['overlap a b']],
    ['at two kinds of terminal', [a({ terminals: ['counter'] }), b({ terminals: ['west-1'] })], []],
    ['one of them a draft', [a(), b({ status: 'draft' })], []],
    ['one of them on top', [a(), b({ onTop: true })], []],
    [
      'one without a cost to work from',
      [a({ items: { items: ['oil'] } }), b({ items: { items: ['oil'] }, formula: { addPercent: 10 } })],
      [],
    ],
    ['one that would raise and must not', [a(), b({ formula: { setTo: '12.00' } })], ['raises-price b']],
    ['one with a code', [a({ codes: ['SPRING'] }), b()], ['never-wins a', 'overlap a b']],
    ['one with a single-use code', [a({ codeBatches: true }), b()], ['never-wins a', 'overlap a b']],
    ['one with a code that goes first', [a({ codes: ['SPRING'], priority: 1 }), b()], []],
    ['one on top that never lowers', [a({ alone: true }), b({ onTop: true })], ['never-wins b']],
  ])('%s', (_, promotions, wanted) => {
    const codes = said(compiled(withPromotions(...promotions)));
    expect(codes).toEqual(wanted);
  });
});

describe('a reduction after another', () => {
  const again = (from: string, more: Promoted = {}) => b({ when: { from, to: '2027-05-30T20:00' }, ...more });
  it.each<[string, PromotionDocument[], boolean]>([
    ['at once', [a(), b({ when: LATER })], true],
    ['29 days later', [a(), again('2027-04-06T20:00')], true],
    ['30 days later, to the hour', [a(), again('2027-04-07T20:00')], true],
    ['31 days later', [a(), again('2027-04-08T20:00')], false],
    ['of other goods', [a(), again('2027-03-12T09:00', { items: { items: ['milk'] } })], false],
    [
      'in another store',
      [a({ where: { stores: ['east'] } }), again('2027-03-12T09:00', { where: { stores: ['west'] } })],
      false,
    ],
    ['which began before the first ended', [a(), again('2027-03-05T09:00')], false],
    ['which lowers nothing', [a(), again('2027-03-12T09:00', { formula: { setTo: '10.00' } })], false],
    ['the same every evening', [a({ when: { ...MARCH, windows: [{ from: '18:00', to: '20:00' }] } })], false],
  ])('%s: is told %#', (_, promotions, wanted) => {
    expect(said(compiled(withPromotions(...promotions))).includes('reduced-before a b')).toBe(wanted);
  });

  it('states the lowest tag price of the 30 days before, store by store', () => {
    const plan = compiled(
      withPromotions(
        a({ items: { items: ['bar'] }, formula: { percentOff: 2000 } }),
        b({
          items: { items: ['bar'] },
          when: { from: '2027-03-20T09:00', to: '2027-03-27T09:00' },
          formula: { amountOff: '0.30' },
        }),
      ),
    );
    const found = findOverlaps(plan).filter(({ code }) => code === 'reduced-before');
    expect(
      found.map(({ stores, items, amount }) => [stores, items, formatAmount(amount!, plan.plan.currency)]),
    ).toEqual([
      [['east'], ['bar'], '0.80'],
      [['west'], ['bar'], '0.88'],
    ]);
  });
});

describe('what is asked for from a day on', () => {
  const from = Date.parse('2027-03-20T00:00Z') as Instant;
  const saidFrom = (...promotions: PromotionDocument[]) =>
    findOverlaps(compiled(withPromotions(...promotions)), { from }).map(({ code, promotions: ids }) =>
      [code, ...ids].join(' '),
    );

  it('says nothing of what was over by then', () => {
    expect(saidFrom(a({ items: { items: ['unpriced'] } }), b({ where: { tag: 'gone' } }))).toEqual([]);
  });

  it.each([
    ['begins after it', '2027-03-22T09:00'],
    ['runs already', '2027-03-15T09:00'],
  ])('remembers a reduction that was over by then, before one that %s', (_, begins) => {
    const again = b({ when: { from: begins, to: '2027-03-29T20:00' } });
    expect(saidFrom(a(), again)).toEqual(['reduced-before a b']);
  });
});

describe('one price change', () => {
  it.each<[string, Promoted, string[]]>([
    ['without an end', { when: { from: MARCH.from } }, ['open-end a']],
    ['of nothing', { items: { items: [] } }, ['nothing-selected a']],
    ['of a tag that nothing has', { items: { tag: 'gone' } }, ['nothing-selected a']],
    ['in no store', { where: { tag: 'gone' } }, ['nothing-selected a']],
    ['of goods without a price', { items: { items: ['unpriced'] } }, ['nothing-carried a']],
    ['under the cost', { formula: { percentOff: 7000 } }, ['below-cost a']],
    ['at the cost', { formula: { percentOff: 6000 }, who: { guests: true } }, []],
    ['at the cost, for staff too, who pay less', { formula: { percentOff: 6000 } }, ['below-cost a']],
    ['above its base, which it may', { formula: { setTo: '12.00' }, mayRaise: true }, ['raises-price a']],
    ['at its base', { formula: { setTo: '10.00' } }, []],
    ['above the base of staff alone', { formula: { setTo: '9.40' } }, []],
  ])('%s', (_, more, wanted) => {
    expect(said(compiled(withPromotions(a(more))))).toEqual(wanted);
  });

  it('is told by how much it is under the cost, from when to when by the clock of the store', () => {
    const plan = compiled(
      withPromotions(
        a({ formula: { percentOff: 7000 }, where: { stores: ['west'] }, who: { guests: true } }),
      ),
    );
    const [finding] = findOverlaps(plan);
    const clock = plan.clockOf(plan.stores.get('west')!);
    expect(formatAmount(finding!.amount!, plan.plan.currency)).toBe('1.00');
    expect([finding!.from, finding!.to!].map((at) => formatWallTime(clock.toWall(at)))).toEqual([
      MARCH.from,
      MARCH.to,
    ]);
  });

  it.each([
    [6000, ['below-floor a']],
    [5600, ['below-floor a']],
    [5550, []],
  ])('at %i basis points off against a floor of a tenth: %j', (percentOff, wanted) => {
    const document = withPromotions(a({ formula: { percentOff }, who: { guests: true } }));
    expect(said(compiled({ ...document, policy: { marginFloor: 1_000 } }))).toEqual(wanted);
  });

  it('and another on top are told together where only both are under the cost', () => {
    const top = change('top', { when: MARCH, items: SPRAY, formula: { percentOff: 1000 }, onTop: true });
    expect(
      said(compiled(withPromotions(a({ formula: { percentOff: 5800 }, who: { guests: true } }), top))),
    ).toEqual(['below-cost a top']);
  });
});

const TWO: Partial<PlanDocument> = {
  zones: [{ id: 'z', name: 'Z' }],
  stores: [
    { id: 'shop', name: 'Shop', timeZone: 'Europe/Madrid' },
    { id: 'cheap', name: 'Cheap', timeZone: 'Europe/Madrid', zone: 'z' },
  ],
};
const TEA = { items: ['tea'] };
const deal = (id: string, of: PromotionDocument['offer'], more: Partial<PromotionDocument> = {}) =>
  offer(id, of, { when: MARCH, ...more });
const bundle = (total: string): PromotionDocument['offer'] => ({
  kind: 'mixAndMatch',
  items: TEA,
  take: 3,
  value: { total },
});
const tiers = (
  ...of: { atLeast: number; percentOff?: number; each?: string }[]
): PromotionDocument['offer'] =>
  ({ kind: 'quantityBreak', items: TEA, count: 'set', tiers: of }) as PromotionDocument['offer'];

describe('a deal', () => {
  const plan = (promotions: PromotionDocument[], more: Partial<PlanDocument> = {}) =>
    compiledOf(
      basketPlan(
        {
          tea: { cost: '2.00', prices: [{ price: '4.40' }, { price: '3.60', zone: 'z' }] },
          cup: { cost: '1.00', prices: [{ price: '3.00' }] },
          gone: { prices: [] },
        },
        promotions,
        { ...TWO, ...more },
      ),
    );

  it.each<[string, PromotionDocument[], string[]]>([
    ['that saves in all its stores', [deal('d', bundle('10.00'))], []],
    ['that costs more than the shelf in one of them', [deal('d', bundle('11.00'))], ['worse-than-shelf d']],
    ['that costs just as much there', [deal('d', bundle('10.80'))], ['worse-than-shelf d']],
    [
      'that does so after a price change',
      [
        deal('d', bundle('10.00')),
        change('p', {
          when: { from: '2027-03-05T09:00', to: '2027-03-06T09:00' },
          items: TEA,
          formula: { amountOff: '0.30' },
        }),
      ],
      ['worse-than-shelf d'],
    ],
    [
      'beside a price change after it',
      [deal('d', bundle('10.00')), change('p', { when: LATER, items: TEA, formula: { amountOff: '0.30' } })],
      [],
    ],
    [
      'that uses more units at once than its own limit',
      [deal('d', bundle('3.00'), { uses: { unitsPerShopper: 1 } })],
      ['never-reached d'],
    ],
    ['that may have just as many as it uses', [deal('d', bundle('8.00'), { uses: { unitsInAll: 3 } })], []],
    [
      'with a tier beyond its limit in units',
      [
        deal('d', tiers({ atLeast: 3, percentOff: 1000 }, { atLeast: 6, percentOff: 1500 }), {
          uses: { unitsPerShopper: 5 },
        }),
      ],
      ['never-reached d'],
    ],
    [
      'with a tier that gives no more',
      [deal('d', tiers({ atLeast: 3, percentOff: 1000 }, { atLeast: 6, percentOff: 1000 }))],
      ['never-reached d'],
    ],
    [
      'with tiers that give more and more',
      [deal('d', tiers({ atLeast: 3, percentOff: 1000 }, { atLeast: 6, percentOff: 1500 }))],
      [],
    ],
    ['under the cost', [deal('d', bundle('5.00'))], ['below-cost d']],
    [
      'that gives one of three away',
      [
        deal('d', {
          kind: 'mixAndMatch',
          items: TEA,
          take: 3,
          rewarded: 1,
          pick: 'cheapest',
          value: { percentOff: 10_000 },
        }),
      ],
      [],
    ],
    [
      'with a slot that nobody sells',
      [
        deal('d', {
          kind: 'combo',
          slots: [
            { name: 'Tea', items: TEA, quantity: 1 },
            { name: 'Gone', items: { items: ['gone'] }, quantity: 1 },
          ],
          value: { total: '4.00' },
        }),
      ],
      ['never-reached d'],
    ],
    [
      'with a gift that nobody sells',
      [
        deal('d', {
          kind: 'freeGoods',
          items: TEA,
          count: 'set',
          every: 3,
          free: 1,
          parts: 'whole',
          gift: 'gone',
        }),
      ],
      ['gift-not-carried d'],
    ],
    ['without an end', [deal('d', bundle('10.00'), { when: { from: MARCH.from } })], ['open-end d']],
    [
      'of nothing',
      [deal('d', { ...bundle('10.00'), items: { tag: 'gone' } } as PromotionDocument['offer'])],
      ['nothing-selected d'],
    ],
  ])('%s', (_, promotions, wanted) => {
    expect(said(plan(promotions))).toEqual(wanted);
  });

  it.each<[string, PromotionDocument[], string[]]>([
    [
      'on the same goods at the same priority',
      [deal('d', bundle('10.00')), deal('e', tiers({ atLeast: 2, percentOff: 1000 }))],
      ['same-units d e'],
    ],
    [
      'at two priorities',
      [deal('d', bundle('10.00'), { priority: 3 }), deal('e', tiers({ atLeast: 2, percentOff: 1000 }))],
      [],
    ],
    [
      'one after the other',
      [deal('d', bundle('10.00')), deal('e', tiers({ atLeast: 2, percentOff: 1000 }), { when: LATER })],
      [],
    ],
    [
      'in two stores',
      [
        deal('d', bundle('10.00'), { where: { stores: ['shop'] } }),
        deal('e', tiers({ atLeast: 2, percentOff: 1000 }), { where: { stores: ['cheap'] } }),
      ],
      [],
    ],
  ])('and another, %s, under policy priority', (_, promotions, wanted) => {
    expect(said(plan(promotions, { policy: { baskets: 'priority' } }))).toEqual(wanted);
    expect(said(plan(promotions, { policy: { baskets: 'best' } }))).toEqual([]);
  });
});

describe('a plan that is odd', () => {
  it.each<[string, Partial<PlanDocument>]>([
    ['without stores', { stores: [] }],
    ['without goods', { items: [] }],
  ])('%s is looked at all the same', (_, more) => {
    const plan = basketPlan({ tea: '1.00' }, [change('p', { items: { all: true }, when: MARCH })], more);
    expect(said(compiledOf(plan))).toEqual(['nothing-selected p']);
  });

  it('has a promotion that comes every hour for a hundred years', () => {
    const repeat = { rrule: 'FREQ=HOURLY', duration: 'PT30M' };
    const when = { from: '2027-01-01T00:00', to: '2126-12-31T00:00', repeat };
    expect(
      said(compiled(withPromotions(a({ when, who: { guests: true }, formula: { percentOff: 7000 } }), b()))),
    ).toEqual(['below-cost a', 'overlap a b']);
  });
});
