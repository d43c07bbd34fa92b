import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { change, compiled, type Promoted, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { parseLocalDate } from '../calendar/index.ts';
import { currencyOf, formatAmount, type MinorUnits } from '../money/index.ts';
import {
  type FormulaDocument,
  type ItemRule,
  type RoundingDocument,
  readFormula,
  readPromotion,
  readRounding,
} from '../plan/index.ts';
import { priceAt } from '../price-book/index.ts';
import { GUEST } from '../tag-price/index.ts';
import {
  filterCounts,
  lineKey,
  type RepriceQuestion,
  repriceLines,
  runPasses,
  type SheetWork,
  sheetFacts,
  sheetPrices,
  sheetSums,
  shownLines,
} from './index.ts';

const EUR = currencyOf('EUR')!;
const draft = (said: Promoted = {}) => readPromotion(change('sheet', said), EUR);
const pass = (formula: FormulaDocument, rounding?: RoundingDocument) => ({
  formula: readFormula(formula, EUR),
  rounding: rounding ? readRounding(rounding, EUR) : null,
});
const work = (more: Partial<SheetWork>): SheetWork => ({
  passes: [],
  own: new Map(),
  removed: new Set(),
  costs: { all: null, of: new Map() },
  marginFloor: 1000,
  ...more,
});
const money = (amount: number) => amount as MinorUnits;

const SUN: { items: ItemRule; list: string | null }[] = [{ items: { node: 'sun' }, list: null }];
const facts = (said: Promoted = {}, passes = SUN, added: string[] = []) =>
  sheetFacts(compiled(SMALL), { draft: draft(said), passes, added, prefer: 'east' });

describe('the lines of a worksheet', () => {
  it('are what its passes select and what was added, at the first moment of the change', () => {
    const { lines, lookedAt, unsold } = facts(
      {},
      [{ items: { node: 'sun' }, list: null }],
      ['bar', 'unpriced'],
    );
    expect(lookedAt).toEqual({ store: 'east', at: Date.parse('2027-03-01T08:00:00Z'), stores: 2 });
    expect(lines.map(({ sku, regular, cost, passes }) => [sku, regular, cost, passes])).toEqual([
      ['milk', 2490, 1200, [0]],
      ['spray', 1000, 400, [0]],
      ['oil', 800, null, [0]],
      ['bar', 100, 40, []],
      ['bar', 110, 40, []],
    ]);
    expect(unsold).toEqual(['unpriced']);
  });

  it('know what is paid already, through what, and the lists that passes work from', () => {
    const plan = compiled(
      withPromotions(
        change('other', { items: { items: ['milk'] } }),
        change('elsewhere', { where: { stores: ['west'] } }),
      ),
    );
    const passes = [{ items: { node: 'sun' }, list: 'own' }];
    const found = sheetFacts(plan, {
      draft: draft({ where: { stores: ['east'] } }),
      passes,
      added: [],
      prefer: null,
    });
    expect(found.elsewhere).toEqual([{ promotion: 'other', items: 1 }]);
    expect(found.lines[0]).toMatchObject({ now: 2241, reducedBy: [0], lists: { own: 2000 } });
    expect(found.lines[1]).toMatchObject({ now: 1000, reducedBy: [] });
  });

  it('leave the change itself out of what is paid without it', () => {
    const plan = compiled(withPromotions(change('sheet')));
    const found = sheetFacts(plan, {
      draft: draft(),
      passes: [{ items: { node: 'sun' }, list: null }],
      added: [],
      prefer: null,
    });
    expect(found.lines[0]!.now).toBe(2490);
    expect(found.elsewhere).toEqual([]);
  });

  it('are none where no store is in it', () => {
    expect(facts({ where: { tag: 'nowhere' } })).toMatchObject({ lookedAt: null, lines: [] });
  });
});

describe('running the passes', () => {
  const { lines } = facts({}, [
    { items: { node: 'sun' }, list: null },
    { items: { items: ['spray', 'oil'] }, list: null },
  ]);
  const prices = (more: Partial<SheetWork>) =>
    runPasses(lines, work(more)).map(({ price, origin }) => [price, origin]);

  it.each<[string, Partial<SheetWork>, [number | null, number | 'own' | null][]]>([
    [
      'one over all',
      { passes: [pass({ percentOff: 1000 })] },
      [
        [2241, 0],
        [900, 0],
        [720, 0],
      ],
    ],
    [
      'a later one over some',
      { passes: [pass({ percentOff: 1000 }), pass({ setTo: '7.00' })] },
      [
        [2241, 0],
        [700, 1],
        [700, 1],
      ],
    ],
    [
      'rounded',
      { passes: [pass({ percentOff: 1500 }, { step: '0.05', mode: 'up' })] },
      [
        [2120, 0],
        [850, 0],
        [680, 0],
      ],
    ],
    [
      'on the cost, where there is one',
      { passes: [pass({ percentOff: 1000 }), pass({ addPercent: 10000 })] },
      [
        [2241, 0],
        [800, 1],
        [720, 0],
      ],
    ],
    [
      'by hand over a pass',
      { passes: [pass({ percentOff: 1000 })], own: new Map([['oil', money(555)]]) },
      [
        [2241, 0],
        [900, 0],
        [555, 'own'],
      ],
    ],
    [
      'of passes that are not there any more',
      { passes: [] },
      [
        [null, null],
        [null, null],
        [null, null],
      ],
    ],
  ])('%s', (_, more, wanted) => {
    expect(prices(more)).toEqual(wanted);
  });

  it('says why a line has no price', () => {
    const results = runPasses(lines, work({ passes: [pass({ marginOnPrice: 5000 })] }));
    expect(results[2]).toMatchObject({ price: null, trouble: 'no-cost' });
    const listed = runPasses(lines, work({ passes: [pass({ basis: { priceList: 'own' }, percentOff: 0 })] }));
    expect(listed[1]).toMatchObject({ price: null, trouble: 'no-list-price' });
  });

  it('counts margins with the supplier’s cost, one item’s own before that for all', () => {
    const costs = { all: money(600), of: new Map([['milk', money(1000)]]) };
    const results = runPasses(lines, work({ passes: [pass({ percentOff: 0 })], costs }));
    expect(results.map(({ cost, margin }) => [cost, margin])).toEqual([
      [1000, 5983],
      [600, 4000],
      [600, 2500],
    ]);
  });

  it('comes to the prices that the price book makes of the formula', () => {
    const formulas = fc.oneof(
      fc.integer({ min: 0, max: 10000 }).map((percentOff): FormulaDocument => ({ percentOff })),
      fc
        .integer({ min: 0, max: 500 })
        .map((cents): FormulaDocument => ({ amountOff: `0.${String(cents % 100).padStart(2, '0')}` })),
      fc
        .integer({ min: 1, max: 999999 })
        .map((millionths): FormulaDocument => ({ multiplyBy: `0.${String(millionths).padStart(6, '0')}` })),
    );
    const roundings = fc.constantFrom<RoundingDocument | undefined>(
      undefined,
      { step: '0.05', mode: 'nearest' },
      { endings: ['0.49', '0.99'], mode: 'down' },
    );
    fc.assert(
      fc.property(formulas, roundings, (formula, rounding) => {
        const results = runPasses(lines, work({ passes: [pass(formula, rounding)] }));
        const priced = compiled(
          withPromotions(change('f', { formula, rounding, mayRaise: true, items: { node: 'sun' } })),
        );
        lines.forEach(({ sku }, i) => {
          const answer = priceAt(priced, {
            sku,
            store: 'east',
            at: Date.parse('2027-04-01T10:00Z') as never,
            shopper: GUEST,
          });
          expect(answer).toMatchObject({ price: results[i]!.price });
        });
      }),
      { numRuns: 60 },
    );
  });
});

describe('looking at a worksheet', () => {
  const { lines } = facts({ where: { stores: ['east'] } }, [{ items: { all: true }, list: null }]);
  const done = work({
    passes: [pass({ percentOff: 1000 })],
    own: new Map([
      ['spray', money(300)],
      ['bar', money(120)],
      ['gel-50', money(500)],
    ]),
    removed: new Set(['oil']),
  });
  const results = runPasses(lines, done);
  const skus = (look: Partial<Parameters<typeof shownLines>[2]>) =>
    [...shownLines(lines, results, { filter: 'all', text: '', sort: null, marginFloor: 1000, ...look })].map(
      (i) => lines[i]!.sku,
    );

  it.each([
    ['all', ['milk', 'spray', 'gel-50', 'gel-90', 'bar']],
    ['below-cost', ['spray']],
    ['rises', ['bar']],
    ['unchanged', ['gel-50']],
    ['by-hand', ['spray', 'gel-50', 'bar']],
    ['removed', ['oil']],
    ['no-price', []],
  ] as const)('the filter %s shows %j', (filter, wanted) => {
    expect(skus({ filter })).toEqual(wanted);
    expect(filterCounts(lines, results, 1000)[filter]).toBe(wanted.length);
  });

  it('finds by words, and sorts by any column with what is empty last', () => {
    expect(skus({ text: 'GEL 9' })).toEqual(['gel-90']);
    expect(skus({ sort: { field: 'price', descending: true } })).toEqual([
      'milk',
      'gel-90',
      'gel-50',
      'spray',
      'bar',
    ]);
    expect(skus({ sort: { field: 'cost', descending: false } })).toEqual([
      'bar',
      'spray',
      'milk',
      'gel-50',
      'gel-90',
    ]);
  });

  it('adds its lines up, without those that were taken out', () => {
    expect(sheetSums(lines, results)).toEqual({
      items: 5,
      lines: 5,
      worst: 1,
      regular: 2490 + 1000 + 500 + 900 + 100,
      price: 2241 + 300 + 500 + 810 + 120,
      cost: 1200 + 400 + 40,
      priceWithCost: 2241 + 300 + 120,
      margin: 3836,
      change: -2042,
      breakEven: Math.ceil(((2490 + 1000 + 100 - 1640) * 100) / (2661 - 1640)),
    });
  });
});

describe('an item with prices of its own in several places', () => {
  const two: RepriceQuestion['passes'] = [{ items: { items: ['bar', 'milk'] }, list: null }];
  const places = (lines: readonly { sku: string; place: string; regular: number; stores: number }[]) =>
    lines.map(({ sku, place, regular, stores }) => `${sku} ${place} ${regular} in ${stores}`);

  it('has a line for each, worked out from the price of its place', () => {
    const { lines } = facts({}, two as never);
    expect(places(lines)).toEqual(['milk chain 2490 in 2', 'bar chain 100 in 1', 'bar zone:isles 110 in 1']);
    const results = runPasses(lines, work({ passes: [pass({ percentOff: 1000 })] }));
    expect(results.map(({ price, basis }) => [price, basis])).toEqual([
      [2241, 2490],
      [90, 100],
      [99, 110],
    ]);
    const later = facts({ when: { from: '2027-05-02T09:00' } }, two as never).lines;
    expect(places(later)).toContain('bar store:west 90 in 1');
  });

  it('takes a price by hand in one place, in the chain’s alone, or wherever none is given', () => {
    const { lines } = facts({}, two as never);
    const price = (own: Record<string, number>) =>
      runPasses(
        lines,
        work({
          passes: [pass({ percentOff: 1000 })],
          own: new Map(Object.entries(own).map(([key, amount]) => [key, money(amount)])),
        }),
      )
        .slice(1)
        .map((result) => result.price);
    const key = (place: 'chain' | 'zone:isles') => lineKey({ sku: 'bar', place, since: null });
    expect(price({ bar: 80 })).toEqual([80, 80]);
    expect(price({ [key('chain')]: 80 })).toEqual([80, 99]);
    expect(price({ [key('zone:isles')]: 70, bar: 80 })).toEqual([80, 70]);
  });

  it('is found where it differs, and the worst place is named', () => {
    const { lines } = facts({}, two as never);
    const results = runPasses(lines, work({ passes: [pass({ percentOff: 5500 })] }));
    expect(filterCounts(lines, results, 1000)).toMatchObject({ all: 3, differs: 2 });
    // Half of 110 leaves more over the cost than half of 100, and milk at 1120 less than it costs.
    expect(sheetSums(lines, results)).toMatchObject({
      items: 2,
      lines: 3,
      worst: 0,
      regular: 2 * 2490 + 210,
    });
  });

  it('tells the highest and the lowest price that is paid without the change', () => {
    const plan = compiled(withPromotions(change('west', { where: { stores: ['west'] } })));
    const question = { draft: draft(), passes: SUN, added: [], prefer: 'east' };
    expect(sheetFacts(plan, question).lines[0]).toMatchObject({ stores: 2, now: 2490, nowLow: 2241 });
  });
});

describe('the line prices of a worksheet', () => {
  const WITH_PLACES: typeof SMALL = {
    ...SMALL,
    items: SMALL.items.map((item) =>
      item.sku === 'milk'
        ? { ...item, prices: [...item.prices, { price: '30.00', zone: 'isles' }] }
        : item.sku === 'spray'
          ? {
              ...item,
              prices: [
                { price: '11.00', store: 'east' },
                { price: '9.50', zone: 'isles' },
              ],
            }
          : item,
    ),
  };

  it('price every store as the sheet showed it, whatever the passes select', () => {
    const rules = fc.constantFrom<ItemRule>(
      { all: true },
      { node: 'sun' },
      { regularPrice: { atMost: '1.05' } },
      { regularPrice: { atLeast: '10.00', atMost: '25.00' } },
    );
    const passes = fc.array(fc.record({ items: rules, percentOff: fc.integer({ min: 0, max: 9_000 }) }), {
      minLength: 1,
      maxLength: 3,
    });
    const hands = fc.dictionary(
      fc.constantFrom(
        'milk',
        lineKey({ sku: 'milk', place: 'chain', since: null }),
        lineKey({ sku: 'bar', place: 'zone:isles', since: null }),
        lineKey({ sku: 'spray', place: 'store:east', since: null }),
      ),
      fc.integer({ min: 1, max: 90 }),
    );
    const plan = compiled(WITH_PLACES);
    fc.assert(
      fc.property(passes, hands, (said, own) => {
        const question = {
          draft: draft(),
          passes: said.map(({ items }) => ({ items, list: null })),
          added: [],
          prefer: null,
        };
        const { lines, stores } = sheetFacts(plan, question);
        const results = runPasses(
          lines,
          work({
            passes: said.map(({ percentOff }) => pass({ percentOff })),
            own: new Map(Object.entries(own).map(([key, amount]) => [key, money(amount)])),
          }),
        );
        const made = sheetPrices(lines, results, stores);
        const text = (prices: ReadonlyMap<string, MinorUnits>) =>
          Object.fromEntries([...prices].map(([sku, price]) => [sku, formatAmount(price, EUR)]));
        const promotion = change('sheet', {
          items: { items: [...made.items] },
          linePrices: text(made.everywhere),
          linePricesIn: [
            ...[...made.zones].map(([zone, prices]) => ({ zone, prices: text(prices) })),
            ...[...made.stores].map(([store, prices]) => ({ store, prices: text(prices) })),
          ],
        });
        if (made.items.length === 0) return;
        const priced = compiled({ ...WITH_PLACES, promotions: [promotion] });
        for (const store of ['east', 'west'])
          for (const sku of ['milk', 'spray', 'bar', 'gel-50', 'unpriced']) {
            const answer = priceAt(priced, { sku, store, at: NOON_IN_APRIL, shopper: GUEST });
            const shown = shownPrice(lines, results, sku, store);
            if (shown === undefined) expect(answer.kind === 'price' && answer.winner).toBeFalsy();
            else expect([sku, store, answer.kind === 'price' && answer.price]).toEqual([sku, store, shown]);
          }
      }),
      { numRuns: 150 },
    );
  });

  const NOON_IN_APRIL = Date.parse('2027-04-01T10:00Z') as never;
  const ZONES = { east: 'main', west: 'isles' } as const;

  /** What the sheet shows for a store: the nearest line of the item. */
  function shownPrice(
    lines: readonly { sku: string; place: string }[],
    results: readonly { price: MinorUnits | null }[],
    sku: string,
    store: string,
  ): MinorUnits | undefined {
    const near = [`store:${store}`, `zone:${ZONES[store as 'east' | 'west']}`, 'chain'];
    for (const place of near) {
      const at = lines.findIndex((line) => line.sku === sku && line.place === place);
      if (at >= 0) return results[at]!.price ?? undefined;
    }
    return undefined;
  }
});

describe('regular prices made anew', () => {
  const ask = (more: Partial<RepriceQuestion>) =>
    repriceLines(compiled(SMALL), {
      since: parseLocalDate('2027-05-10')!,
      scope: { kind: 'chain' },
      passes: [{ items: { node: 'food' }, list: null }],
      added: [],
      fresh: false,
      carry: false,
      ...more,
    });
  const told = (more: Partial<RepriceQuestion>) => {
    const lines = ask(more);
    const results = runPasses(lines, work({ passes: [pass({ multiplyBy: '2' })] }));
    return lines.map(({ sku, place, since, stays }, i) =>
      [sku, place, since, results[i]!.price, stays ? 'stays' : null]
        .filter((part) => part !== null)
        .join(' '),
    );
  };
  const CHAIN_LATER = '2027-06-01';

  it('are each made from the row that they replace; other rows are shown and stay', () => {
    expect(told({})).toEqual([
      'bar chain 200',
      `bar chain ${CHAIN_LATER} stays`,
      'bar zone:isles stays',
      'bar store:west stays',
    ]);
    expect(told({ scope: { kind: 'zones', ids: ['isles', 'main'] } })).toEqual([
      'bar chain stays',
      `bar chain ${CHAIN_LATER} stays`,
      'bar zone:isles 220',
      'bar store:west stays',
    ]);
    expect(told({ scope: { kind: 'every' } })).toEqual([
      'bar chain 200',
      `bar chain ${CHAIN_LATER} stays`,
      'bar zone:isles 220',
      'bar store:west 180',
    ]);
  });

  it('carry along what begins later, where that is wanted', () => {
    expect(told({ carry: true })).toContain(`bar chain ${CHAIN_LATER} 240`);
    expect(told({ carry: true, scope: { kind: 'zones', ids: ['isles'] } })).toContain(
      `bar chain ${CHAIN_LATER} stays`,
    );
  });

  it('are made where there was none, where that is wanted, from what counts there', () => {
    const stores = { kind: 'stores', ids: ['east', 'west'] } as const;
    expect(told({ scope: stores })).not.toContain('bar store:east 200');
    expect(told({ scope: stores, fresh: true })).toContain('bar store:east 200');
    expect(told({ scope: { kind: 'zones', ids: ['main'] }, fresh: true })).toContain('bar zone:main 200');
  });

  it('may be typed for goods that no pass selects, where they have none yet', () => {
    const lines = ask({ passes: [], added: ['milk'], scope: { kind: 'zones', ids: ['main'] } });
    expect(lines.map(({ sku, place, stays }) => [sku, place, stays])).toEqual([
      ['milk', 'chain', true],
      ['milk', 'zone:main', false],
    ]);
    const [, main] = runPasses(lines, work({ own: new Map([['milk', money(2000)]]) }));
    expect(main).toMatchObject({ price: 2000, origin: 'own' });
  });

  it('count the stores in which each row counts', () => {
    expect(ask({ scope: { kind: 'every' } }).map(({ place, stores }) => [place, stores])).toEqual([
      ['chain', 1],
      ['chain', 1],
      ['zone:isles', 0],
      ['store:west', 1],
    ]);
  });

  it('leave out goods that are taken off sale by then', () => {
    const items = SMALL.items.map((item) => (item.sku === 'bar' ? { ...item, retired: '2027-05-01' } : item));
    const plan = compiled({ ...SMALL, items });
    const lines = repriceLines(plan, {
      since: parseLocalDate('2027-05-10')!,
      scope: { kind: 'every' },
      passes: [{ items: { all: true }, list: null }],
      added: [],
      fresh: false,
      carry: false,
    });
    expect(lines.map(({ sku }) => sku)).not.toContain('bar');
  });
});
